import { useEffect, useRef } from "react";
import { NavLink, useLocation } from "react-router";
import classes from "./page-links.module.css";

interface PageLink {
  readonly to: string;
  readonly name: string;
  /** Whether the pages below its address are others. */
  readonly end?: boolean;
}

interface PageLinksProps {
  readonly label: string;
  readonly links: readonly PageLink[];
}

/** The way between the pages of one frame, in a line; where it is too narrow for all, the one that is open is in sight. */
export function PageLinks({ label, links }: PageLinksProps) {
  const { pathname } = useLocation();
  const line = useRef<HTMLElement>(null);
  useEffect(() => {
    const open = line.current?.querySelector("[aria-current]");
    // "nearest" in both: the page itself is not to move.
    open?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [pathname]);
  return (
    <nav ref={line} aria-label={label} className={classes.line}>
      {links.map(({ to, name, end = false }) => (
        <NavLink key={to} to={to} end={end} className={classes.link}>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}

import type { ReactNode } from "react";
import { Link } from "react-router";
import { OutboxNote } from "../device/index.js";
import classes from "./floor.module.css";

interface FloorHeaderProps {
  /** Where leaving the floor leads. */
  readonly to: string;
  readonly title: string;
  /** Whose floor it is, and what of. */
  readonly sub: string;
  /** What else stands at its right. */
  readonly children?: ReactNode;
}

/** The head of a floor screen: the way out, what it is and whose, and what waits on the device. */
export function FloorHeader({ to, title, sub, children }: FloorHeaderProps) {
  return (
    <header className={classes.header}>
      <Link to={to} className={classes.leave}>
        Leave the floor
      </Link>
      <div className={classes.names}>
        <h1>{title}</h1>
        <p>{sub}</p>
      </div>
      {children}
      <OutboxNote />
    </header>
  );
}

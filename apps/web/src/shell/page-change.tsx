import { VisuallyHidden } from "@mantine/core";
import { useEffect, useRef, useState } from "react";
import { useLocation } from "react-router";
import { useKeptPlace } from "./use-kept-place.js";

/** Pages say what they are called as they come. */
const TITLED_AFTER_MS = 100;

/**
 * What everybody sees when a page changes, for who does not: its name is told, and where the pressed control is gone,
 * the keyboard goes on at the page. A page that one comes back to is where it was left.
 */
export function PageChange() {
  const { pathname } = useLocation();
  const before = useRef(pathname);
  const [told, setTold] = useState("");
  useKeptPlace(pathname);
  useEffect(() => {
    if (before.current === pathname) return undefined;
    before.current = pathname;
    const timer = setTimeout(() => {
      setTold(document.title);
      const { activeElement } = document;
      if (activeElement === null || activeElement === document.body)
        document.getElementById("page")?.focus({ preventScroll: true });
    }, TITLED_AFTER_MS);
    return () => clearTimeout(timer);
  }, [pathname]);
  return <VisuallyHidden role="status">{told}</VisuallyHidden>;
}

import { useLayoutEffect, useRef, type ReactNode } from "react";
import classes from "./one-page.module.css";

/** What is printed of A4 on its side with margins of 8 mm, less a line for rounding; in CSS pixels. */
const PAGE_HEIGHT = ((194 - 2) / 25.4) * 96;
/** Smaller than this nobody reads it in a hall: then it runs on to a second page. */
const LEAST = 0.6;
const MOST_ROUNDS = 6;

/** Makes an element smaller until it is as high as a page; its lines grow longer as it does. */
function fit(element: HTMLElement): void {
  let size = 1;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    element.style.setProperty("--fit", String(size));
    const { height } = element.getBoundingClientRect();
    if (height <= PAGE_HEIGHT || size <= LEAST) return;
    // Half of the way in each direction: a line that is longer breaks less often.
    size = Math.max(LEAST, size * Math.min(0.98, Math.sqrt(PAGE_HEIGHT / height)));
  }
}

/** A page to be printed, on the screen as it will be on paper: one sheet, on its side. */
export function OnePage({ children }: { readonly children: ReactNode }) {
  const page = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const { current } = page;
    if (current === null) return;
    fit(current);
    // Measured with the fonts that it is printed in.
    void document.fonts.ready.then(() => fit(current));
  });
  return (
    <div className={classes.frame} role="region" aria-label="The page as it is printed" tabIndex={0}>
      <div ref={page} className={classes.page}>
        {children}
      </div>
    </div>
  );
}

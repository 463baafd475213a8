import { useEffect, useLayoutEffect } from "react";

const KEY = "mirrup-places";

type Places = Readonly<Record<string, number>>;

function known(): Places {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(KEY) ?? "{}");
    return kept !== null && typeof kept === "object"
      ? Object.fromEntries(Object.entries(kept).filter(([, place]) => Number.isFinite(place)))
      : {};
  } catch {
    return {};
  }
}

function keep(places: Places): void {
  try {
    sessionStorage.setItem(KEY, JSON.stringify(places));
  } catch {
    // A browser that keeps nothing begins each page at its top after a reload.
  }
}

/**
 * Puts each page, named by its path, where it was left in this tab (in CSS px from its top), in the moment in which it
 * is drawn and never later: whoever has moved it since stays where they are. What is searched and filtered is the
 * same page. The router's own way puts a page that was loaded anew there when all else is drawn, seconds after it on
 * a slow tablet.
 */
export function useKeptPlace(page: string): void {
  useEffect(() => {
    const { scrollRestoration } = window.history;
    window.history.scrollRestoration = "manual";
    return () => {
      window.history.scrollRestoration = scrollRestoration;
    };
  }, []);
  useLayoutEffect(() => {
    let place = known()[page] ?? 0;
    window.scrollTo(0, place);
    // Read as it is moved: when the page is gone, the next one stands there already, and may be shorter.
    const moved = () => {
      place = window.scrollY;
    };
    const left = () => keep({ ...known(), [page]: place });
    window.addEventListener("scroll", moved, { passive: true });
    window.addEventListener("pagehide", left);
    return () => {
      window.removeEventListener("scroll", moved);
      window.removeEventListener("pagehide", left);
      left();
    };
  }, [page]);
}

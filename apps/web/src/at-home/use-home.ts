import type { HomeView } from "@mirrup/contract";
import { useCallback, useEffect, useState } from "react";
import { get, isProblem } from "../app/api.js";
import { teach } from "../app/catalogue.js";
import { dropView, keepView, keptView } from "./kept-view.js";

/** What a link shows: read now, kept from before, ended for good, or nothing yet. */
export type Home =
  | { readonly kind: "reading" }
  | { readonly kind: "shown"; readonly view: HomeView; readonly keptAt: string | null }
  | { readonly kind: "ended"; readonly message: string }
  | { readonly kind: "silent" };

const SHAPE = String(import.meta.env.VITE_SHAPE);

function kept(token: string): Home {
  const found = keptView(token, SHAPE, localStorage);
  if (found === null) return { kind: "reading" };
  teach(found.view.own);
  return { kind: "shown", view: found.view, keptAt: found.at };
}

/** What the server shows by a link, and how it is asked again. */
export function useHome(token: string): { readonly home: Home; readonly readAgain: () => void } {
  const [home, setHome] = useState(() => kept(token));
  const read = useCallback(async () => {
    try {
      const view = await get<HomeView>(`/home/${token}`);
      teach(view.own);
      keepView({ token, shape: SHAPE, at: new Date().toISOString(), view }, localStorage);
      setHome({ kind: "shown", view, keptAt: null });
    } catch (error) {
      if (isProblem(error) && (error.problem.status === 410 || error.problem.status === 400)) {
        // Nothing of it stays on a phone that may be anybody's.
        dropView(token, localStorage);
        setHome({ kind: "ended", message: error.problem.detail });
      } else setHome((before) => (before.kind === "shown" ? before : { kind: "silent" }));
    }
  }, [token]);
  useEffect(() => {
    const again = () => {
      if (document.visibilityState === "visible") void read();
    };
    again();
    window.addEventListener("online", again);
    document.addEventListener("visibilitychange", again);
    return () => {
      window.removeEventListener("online", again);
      document.removeEventListener("visibilitychange", again);
    };
  }, [read]);
  return { home, readAgain: () => void read() };
}

import { useHotkeys } from "@mantine/hooks";
import {
  lazy,
  Suspense,
  useCallback,
  useEffect,
  useState,
  type ComponentType,
  type KeyboardEvent,
  type ReactNode,
} from "react";
import { ReachContext, searchField } from "../app/reach.js";
import { tellNote } from "../app/undo.js";

interface WindowProps {
  readonly onClose: () => void;
}

/** In place of a window whose file could not be fetched: the page below goes on, a set on the floor with it. */
function NotHere({ onClose }: WindowProps) {
  useEffect(() => {
    tellNote("This could not be opened: the server does not answer, and it is not on this device yet.");
    onClose();
  }, [onClose]);
  return null;
}

/** A window that is fetched when it is first asked for. */
const fetched = (load: () => Promise<ComponentType<WindowProps>>) =>
  lazy(async () => ({ default: await load().catch(() => NotHere) }));

const Finder = fetched(async () => (await import("../finder/index.js")).Finder);
const KeysHelp = fetched(async () => (await import("./keys-help.js")).KeysHelp);

/** What is typed into a window over the page is none of the page's keys. */
const keepFromPage = (event: KeyboardEvent) => event.stopPropagation();

/** Puts the search over everything, and the keys, in reach of every page of a studio. */
export function InReach({ children }: { readonly children: ReactNode }) {
  const [open, setOpen] = useState<"finder" | "keys" | null>(null);
  const find = () => setOpen("finder");
  const showKeys = () => setOpen("keys");
  const search = () => {
    const field = searchField();
    if (field === undefined) find();
    else field.focus();
  };
  useHotkeys([
    ["/", search, { usePhysicalKeys: false }],
    ["?", showKeys, { usePhysicalKeys: false }],
    ["shift+?", showKeys, { usePhysicalKeys: false }],
  ]);
  // While something is typed too.
  useHotkeys([["mod+K", find]], []);
  const close = useCallback(() => setOpen(null), []);
  // Until the window has the keys, what is typed is none of the page's either: on the floor it would be counted.
  useEffect(() => {
    if (open === null) return undefined;
    const keep = (event: globalThis.KeyboardEvent) => {
      if (["Escape", "Tab"].includes(event.key)) return;
      if (event.target instanceof Element && event.target.closest("[role='dialog']") !== null) return;
      event.stopImmediatePropagation();
      event.preventDefault();
    };
    window.addEventListener("keydown", keep, { capture: true });
    return () => window.removeEventListener("keydown", keep, { capture: true });
  }, [open]);
  return (
    <ReachContext value={{ find, showKeys }}>
      {children}
      <div onKeyDown={keepFromPage} onKeyUp={keepFromPage}>
        <Suspense>
          {open === "finder" && <Finder onClose={close} />}
          {open === "keys" && <KeysHelp onClose={close} />}
        </Suspense>
      </div>
    </ReachContext>
  );
}

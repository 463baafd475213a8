/**
 * How a new version of Mirrup comes onto a device: it is looked for while a page is open, and taken when one is
 * opened, before anything is done in it. A page that stays open keeps its version until somebody taps for the new one;
 * where it lacks a file of its own, it is loaded anew, since all that was counted is kept on the device.
 */
import { useSyncExternalStore } from "react";

const LOOK_EVERY_MS = 3_600_000;
const LOOK_AGAIN_MS = [500, 1500, 3000];
const RELOADED = "mirrup-reloaded";
/** A second fault so soon after loading anew is no old version's: it is shown. */
const AGAIN_AFTER_MS = 20_000;

/** Whether a page may be loaded anew now, for it has not just been. */
export function mayReload(now: number, before: string | null): boolean {
  return before === null || now - Number(before) > AGAIN_AFTER_MS;
}

function reloadOnce(): boolean {
  try {
    if (!mayReload(Date.now(), sessionStorage.getItem(RELOADED))) return false;
    sessionStorage.setItem(RELOADED, String(Date.now()));
  } catch {
    return false;
  }
  window.location.reload();
  return true;
}

/** Loads the page anew where a file of its version is gone. */
export function mendOldPages(): void {
  window.addEventListener("vite:preloadError", (event) => {
    if (reloadOnce()) event.preventDefault();
  });
}

let takeWaiting: (() => void) | null = null;
const listeners = new Set<() => void>();
const onWaiting = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Takes the version that waits, and loads the page anew; null where none does. */
export function useNewVersion(): (() => void) | null {
  return useSyncExternalStore(onWaiting, () => takeWaiting);
}

/** Registers the worker that keeps the pages' files, and takes the version that waits. */
export async function takeUpdates(): Promise<void> {
  const { serviceWorker } = navigator;
  const registration = await serviceWorker.register("/sw.js");
  // What is found from now on came while this page was open, and is another page's to take.
  let isOpenPages = false;
  const offer = () => {
    takeWaiting = registration.waiting === null || serviceWorker.controller === null ? null : takeNow;
    listeners.forEach((listener) => listener());
  };
  registration.addEventListener("updatefound", () => {
    isOpenPages = true;
    registration.installing?.addEventListener("statechange", offer);
  });
  const takeNow = () => {
    serviceWorker.addEventListener("controllerchange", () => void reloadOnce(), { once: true });
    registration.waiting?.postMessage({ type: "SKIP_WAITING" });
  };
  const take = () => {
    if (!isOpenPages && registration.waiting !== null && serviceWorker.controller !== null) takeNow();
  };
  take();
  // On a busy device it is not known at once what waits.
  for (const later of LOOK_AGAIN_MS) setTimeout(take, later);
  const look = () => void registration.update().catch(() => undefined);
  setInterval(look, LOOK_EVERY_MS);
  document.addEventListener("visibilitychange", () => {
    if (document.visibilityState === "visible") look();
  });
}

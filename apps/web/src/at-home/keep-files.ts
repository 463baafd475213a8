import { fetchMovingPicture } from "../figure/moving/index.js";
import { WORDS_ADDRESS } from "../voice/parts/index.js";

const CALLED = "mirrup-home-called";

/** From now on the spoken words are kept as well: they are large, and not everybody has a drill called out. */
export function keepWords(): void {
  localStorage.setItem(CALLED, "yes");
}

/** Has what the page has loaded so far kept on the phone, so that it is there without a network. */
export async function keepFiles(): Promise<void> {
  if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  await navigator.serviceWorker.register("/home-sw.js", { scope: "/home/" });
  const { active } = await navigator.serviceWorker.ready;
  // What draws the pictures is asked for where one is shown, and is to be there without a network too.
  await fetchMovingPicture();
  const loaded = performance.getEntriesByType("resource").map(({ name }) => name);
  const words =
    localStorage.getItem(CALLED) === null ? [] : [new URL(WORDS_ADDRESS, window.location.href).href];
  const files = [...new Set([...loaded, ...words])];
  active?.postMessage({ keep: files.filter((name) => new URL(name).pathname.startsWith("/assets/")) });
}

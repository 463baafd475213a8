/** The link that this phone practises by: from the address, else the one that was opened here last. */
const KEPT = "mirrup-home-link";
const ADDRESS = /^\/home\/([\w-]{20,100})\/?$/;

/** The token of an address such as `/home/…`; null where it has none. */
export function tokenOf(pathname: string): string | null {
  return ADDRESS.exec(pathname)?.[1] ?? null;
}

/** Opened from the home screen, the page has no token in its address and knows the last. */
export function linkHere(pathname: string, storage: Storage): string | null {
  const token = tokenOf(pathname);
  try {
    if (token === null) return storage.getItem(KEPT);
    storage.setItem(KEPT, token);
  } catch {
    // A browser that keeps nothing still shows what the address asks for.
  }
  return token;
}

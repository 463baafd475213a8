/** What the server showed last, kept on the phone for where there is no network. */
import type { HomeView } from "@mirrup/contract";

/** Children of one family have a phone between them: each link's view is kept by itself. */
const keyOf = (token: string) => `mirrup-home-view ${token}`;

export interface KeptView {
  readonly token: string;
  /** Of what the server answers: a version of another shape reads it anew. */
  readonly shape: string;
  readonly at: string;
  readonly view: HomeView;
}

export function keepView(kept: KeptView, storage: Storage): void {
  try {
    storage.setItem(keyOf(kept.token), JSON.stringify(kept));
  } catch {
    // No room: then it is shown while there is a network.
  }
}

/** What was shown by a link to a build of this shape; null for anything else. */
export function keptView(token: string, shape: string, storage: Storage): KeptView | null {
  try {
    const kept = JSON.parse(storage.getItem(keyOf(token)) ?? "null") as KeptView | null;
    return kept?.token === token && kept.shape === shape ? kept : null;
  } catch {
    return null;
  }
}

export function dropView(token: string, storage: Storage): void {
  try {
    storage.removeItem(keyOf(token));
  } catch {
    // Then nothing was kept.
  }
}

/**
 * What this person last read of this studio, kept on the device for seven days so that the floor
 * has something to stand on while nobody answers. Wiped at sign-out; never shown to somebody else.
 */
import type { SessionView, StudentView } from "@mirrup/contract";
import {
  dehydrate,
  hydrate,
  type DehydratedState,
  type QueryClient,
  type QueryKey,
} from "@tanstack/react-query";
import { queryClient } from "../app/query-client.js";
import { queryHash } from "../app/query-hash.js";
import { currentSender, type Sender } from "./sender.js";
import { dropReadings, keepReadings, keptReadings, type KeptReadings } from "./store.js";

const DAYS_7 = 7 * 86_400_000;
const SAVE_AFTER_MS = 800;

/** What a lesson can do without: records that people write, and looks back. */
const NOT_KEPT: ReadonlySet<unknown> = new Set(["detail", "decisions", "schools", "weeks", "done"]);

/** The session, the studio, its groups, lessons and students; what only an owner reads is not kept. */
function isKept(key: QueryKey): boolean {
  const [root, , part] = key;
  return (
    ((root === "students" || root === "groups" || root === "lessons" || root === "combos") &&
      !NOT_KEPT.has(part)) ||
    ((root === "session" || root === "studio" || root === "catalogue") && key.length === 1)
  );
}

const KEPT_ROOTS = ["students", "groups", "lessons", "combos", "session", "studio", "catalogue"] as const;

/**
 * What is kept on the device stays in the page as long: each save writes all that the page has, so that what it had
 * let go of would be lost to the device too.
 */
export function keepInMemory(client: QueryClient): void {
  for (const root of KEPT_ROOTS) client.setQueryDefaults([root], { gcTime: DAYS_7 });
}

let saving: ReturnType<typeof setTimeout> | undefined;

/** Whether what is kept is this person's, not too old, and of the shape that this version reads. */
export function isStillGood(
  kept: Omit<KeptReadings, "state">,
  sender: Sender | null,
  shape: string,
  now: number,
): boolean {
  const isFresh = now - kept.savedAt < DAYS_7;
  return isFresh && kept.shape === shape && sender?.personId === kept.sender.personId;
}

/** Brings back what is kept, where it is still good; forgets it otherwise. `shape` is that of what the server answers. */
export async function restoreReadings(shape: string): Promise<void> {
  keepInMemory(queryClient);
  const kept = await keptReadings().catch(() => undefined);
  if (kept === undefined) return;
  if (!isStillGood(kept, currentSender(), shape, Date.now())) {
    await dropReadings();
    return;
  }
  hydrate(queryClient, kept.state);
  // It is shown at once, and read anew at once.
  await queryClient.invalidateQueries({ refetchType: "none" });
}

/** A student who is not in the list any more was deleted or archived: nothing of theirs stays here but what is open. */
export function forgetTheGone(client: QueryClient, students: readonly Pick<StudentView, "id">[]): void {
  const present = new Set(students.map((student) => student.id));
  client.removeQueries({
    predicate: (query) => {
      const { queryKey, queryHash: hash } = query;
      const [root, id] = queryKey;
      const isGone = root === "students" && typeof id === "string" && !present.has(id);
      return isGone && hash === queryHash(queryKey) && !query.isActive();
    },
  });
}

/** What is kept of all that was read: the last that is known of each, also where reading it anew has failed since. */
export function stateToKeep(client: QueryClient): DehydratedState {
  const state = dehydrate(client, {
    shouldDehydrateQuery: ({ queryKey, state: { data } }) => data !== undefined && isKept(queryKey),
  });
  const known = { status: "success", error: null, fetchFailureCount: 0, fetchFailureReason: null } as const;
  return {
    ...state,
    queries: state.queries.map((query) => ({
      ...query,
      state: { ...query.state, ...known, fetchStatus: "idle" },
    })),
  };
}

/** Whether somebody is signed in, as far as the page has read: what is read by nobody is not kept. */
export function isSomebodyHere(client: QueryClient): boolean {
  return client.getQueryData<SessionView>(["session"])?.person != null;
}

async function save(shape: string): Promise<void> {
  const sender = currentSender();
  if (sender === null || !isSomebodyHere(queryClient)) return;
  await keepReadings({ sender, shape, savedAt: Date.now(), state: stateToKeep(queryClient) });
}

/** Keeps whatever is read from now on, a moment after it was. */
export function startKeeping(shape: string): void {
  const keep = () => {
    clearTimeout(saving);
    saving = undefined;
    void save(shape).catch(() => undefined);
  };
  queryClient.getQueryCache().subscribe(({ type, query }) => {
    const key = query.queryKey as QueryKey;
    if (type !== "updated" || query.state.status !== "success" || !isKept(key)) return;
    if (key.length === 1 && key[0] === "students") {
      forgetTheGone(queryClient, query.state.data as readonly StudentView[]);
    }
    clearTimeout(saving);
    saving = setTimeout(keep, SAVE_AFTER_MS);
  });
  // Whoever goes on to the next page at once has read this one all the same.
  addEventListener("pagehide", () => {
    if (saving !== undefined) keep();
  });
}

/** Takes everything that was read off the device and out of the page: at sign-out, and for somebody new. */
export async function forgetReadings(): Promise<void> {
  clearTimeout(saving);
  saving = undefined;
  queryClient.clear();
  await dropReadings().catch(() => undefined);
}

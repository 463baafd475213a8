import type { Query, QueryClient } from "@tanstack/react-query";
import { SilenceError } from "./api.js";
import { restAfter } from "./follow.js";

export interface Recovering {
  /** Whether the server answers. */
  readonly isThere: () => Promise<boolean>;
  readonly rest: (milliseconds: number) => Promise<void>;
}

/**
 * From now on asks again what could not be read, as soon as the server answers again: in a hall nobody presses a
 * button for it, and a part of a page that has none would stay empty. Until then nothing on a page is touched.
 */
export function startRecovery(client: QueryClient, { isThere, rest }: Recovering): void {
  const isUnread = ({ state }: Query) => state.status === "error" && state.error instanceof SilenceError;
  const hasUnread = () => client.getQueryCache().findAll({ type: "active", predicate: isUnread }).length > 0;
  let isWaiting = false;
  const recover = async () => {
    isWaiting = true;
    for (let failures = 1; hasUnread(); failures += 1) {
      await rest(restAfter(failures + 1));
      if (hasUnread() && (await isThere()))
        await client.refetchQueries({ type: "active", predicate: isUnread });
    }
    isWaiting = false;
  };
  client.getQueryCache().subscribe(({ type, query }) => {
    if (type === "updated" && !isWaiting && isUnread(query as Query)) void recover();
  });
}

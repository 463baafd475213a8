import { afterEach, describe, expect, it } from "@jest/globals";
import { QueryClient, QueryObserver } from "@tanstack/react-query";
import { queryHash } from "./query-hash.js";
import { enterStudio } from "./studio.js";

const client = new QueryClient({ defaultOptions: { queries: { queryKeyHashFn: queryHash } } });
afterEach(() => {
  client.clear();
  enterStudio(null);
});

describe("what was read", () => {
  it("is of the studio in which it was read, and comes back with it", () => {
    enterStudio("hall");
    client.setQueryData(["students"], ["Ada"]);
    enterStudio("gym");
    expect(client.getQueryData(["students"])).toBeUndefined();
    client.setQueryData(["students"], ["Bo"]);
    enterStudio("hall");
    expect(client.getQueryData(["students"])).toEqual(["Ada"]);
    expect(client.getQueryCache().getAll()).toHaveLength(2);
  });

  it("is not shown by a page that goes from one studio to another", () => {
    enterStudio("hall");
    client.setQueryData(["students"], ["Ada"]);
    const asked = { queryKey: ["students"], enabled: false };
    const observer = new QueryObserver(client, asked);
    const stop = observer.subscribe(() => undefined);
    expect(observer.getCurrentResult().data).toEqual(["Ada"]);
    enterStudio("gym");
    observer.setOptions(client.defaultQueryOptions(asked));
    expect(observer.getCurrentResult().data).toBeUndefined();
    stop();
  });

  it("is the same in every studio where it says who is signed in", () => {
    enterStudio("hall");
    client.setQueryData(["session"], "Ode");
    enterStudio("gym");
    expect(client.getQueryData(["session"])).toBe("Ode");
  });
});

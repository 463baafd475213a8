import { describe, expect, it, jest } from "@jest/globals";
import type { Problem } from "@mirrup/contract";
import { QueryClient, QueryObserver } from "@tanstack/react-query";
import { ProblemError, SilenceError } from "./api.js";
import { startRecovery } from "./recovery.js";

const soon = () => new Promise((resolve) => setTimeout(resolve, 0));

/** A server that answers or does not, and a page of it with a clock of its own. */
function hall() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const server = { isThere: true, isBusy: false, asked: [] as string[] };
  const rests: number[] = [];
  let wake: () => void = () => undefined;
  const isThere = jest.fn(() => Promise.resolve(server.isThere));
  startRecovery(client, {
    isThere,
    rest: (milliseconds) => {
      rests.push(milliseconds);
      return new Promise<void>((resolve) => (wake = resolve));
    },
  });
  const show = (key: string, fault: () => Error = () => new SilenceError()) => {
    const observer = new QueryObserver<string>(client, {
      queryKey: [key],
      queryFn: () => {
        server.asked.push(key);
        return server.isThere && !server.isBusy
          ? Promise.resolve(`${key} as it is`)
          : Promise.reject(fault());
      },
    });
    const leave = observer.subscribe(() => undefined);
    return { shown: () => observer.getCurrentResult().data, leave };
  };
  const wakes = async () => {
    wake();
    await soon();
    await soon();
  };
  return { client, server, rests, show, wakes, isThere };
}

describe("what could not be read", () => {
  it("is asked again once the server answers, and not before", async () => {
    const { server, rests, show, wakes } = hall();
    server.isThere = false;
    const [sets, load] = [show("sets"), show("load")];
    await soon();
    expect(server.asked).toEqual(["sets", "load"]);
    await wakes();
    await wakes();
    expect(server.asked).toEqual(["sets", "load"]);
    server.isThere = true;
    await wakes();
    expect([sets.shown(), load.shown()]).toEqual(["sets as it is", "load as it is"]);
    // Later each time, and no more once all is read.
    expect(rests).toEqual([2000, 4000, 8000]);
    await wakes();
    expect(rests).toHaveLength(3);
    server.isThere = false;
    show("ladder");
    await soon();
    expect(rests).toEqual([2000, 4000, 8000, 2000]);
  });

  it("is asked again where the server answers, and had too much to do for this", async () => {
    const { server, show, wakes } = hall();
    server.isBusy = true;
    const { shown } = show("sets");
    await soon();
    await wakes();
    expect(server.asked).toHaveLength(2);
    server.isBusy = false;
    await wakes();
    expect(shown()).toBe("sets as it is");
  });

  it("is left alone where it was refused, or nobody looks at it any more", async () => {
    const { server, rests, show, wakes, isThere } = hall();
    server.isThere = false;
    const refusal = { type: "no-student", title: "", detail: "Gone.", status: 404 } as Problem;
    show("gone", () => new ProblemError(refusal));
    await soon();
    expect(rests).toEqual([]);
    const { leave } = show("sets");
    await soon();
    leave();
    await wakes();
    expect(isThere).not.toHaveBeenCalled();
    expect(server.asked).toEqual(["gone", "sets"]);
    expect(rests).toHaveLength(1);
  });
});

import { describe, expect, it } from "@jest/globals";
import type { StudentView } from "@mirrup/contract";
import { withNewcomers, withStops } from "./newcomers.js";

const READ = ["Ada", "Cy"].map((name) => ({ id: name, name, level: 3 }) as StudentView);

describe("students who were added on this device", () => {
  it("stand among the others by name, with nothing learned yet", () => {
    const all = withNewcomers(READ, [{ id: "new", name: "Bo" }]);
    expect(all.map((one) => one.name)).toEqual(["Ada", "Bo", "Cy"]);
    expect(all[1]).toMatchObject({ id: "new", level: 0, next: null, archived: false, hasStopped: false });
  });

  it("are as the server has them once it does, whatever they were called here", () => {
    expect(withNewcomers(READ, [{ id: "Ada", name: "Adah" }])).toBe(READ);
  });
});

describe("students of whom it was said here that jumping has ended", () => {
  const next = { subject: "cross" } as unknown as StudentView["next"];
  const ada = { id: "ada", hasStopped: false, next, nextCodes: "oo" } as StudentView;
  const bo = { id: "bo", hasStopped: true, next: null, nextCodes: "" } as StudentView;

  it("have nothing next, until that is taken back", () => {
    const [first, second] = withStops([ada, bo], (id) => id === ada.id);
    expect(first).toMatchObject({ hasStopped: true, next: null, nextCodes: "" });
    expect(second).toMatchObject({ hasStopped: false });
  });

  it("are the list that was read where it says the same", () => {
    const all = [ada, bo];
    expect(withStops(all, (_, isStored) => isStored)).toBe(all);
  });
});

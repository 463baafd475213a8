import { describe, expect, it } from "@jest/globals";
import type { StudentView } from "@mirrup/contract";
import { withNewcomers } from "./newcomers.js";

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

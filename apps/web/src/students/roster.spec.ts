import { describe, expect, it } from "@jest/globals";
import type { ArchivedStudent, StudentView } from "@mirrup/contract";
import { DAY_MS } from "@mirrup/core";
import { archivedOf, rosterOf, type RosterFilter } from "./roster.js";

const NOW = Date.UTC(2026, 5, 1);
const ALL: RosterFilter = { words: "", group: "", shown: "all", level: 0, sort: "name" };

function student(name: string, changes: Partial<StudentView> = {}): StudentView {
  return {
    id: name,
    name,
    leadingSide: "right",
    dominantHand: null,
    archived: false,
    groups: [],
    goals: [],
    hasStopped: false,
    level: 1,
    stuck: 0,
    reviewsDue: 0,
    ropeMisfitMm: null,
    nextCodes: "",
    lastPractisedAt: new Date(NOW - DAY_MS).toISOString(),
    counts: { cleared: 1, working: 0, ready: 1, locked: 1 },
    next: null,
    ...changes,
  };
}

const STUDENTS = [
  student("Zoë", { level: 4, groups: ["g"], stuck: 1 }),
  student("Ada", { lastPractisedAt: new Date(NOW - 20 * DAY_MS).toISOString(), reviewsDue: 2 }),
  student("Ben", { lastPractisedAt: null, level: 2 }),
];
const names = (filter: Partial<RosterFilter>) =>
  rosterOf(STUDENTS, { ...ALL, ...filter }, NOW).map((one) => one.name);

describe("the roster", () => {
  it("finds names without their marks", () => {
    expect(names({})).toEqual(["Ada", "Ben", "Zoë"]);
    expect(names({ words: " zoe" })).toEqual(["Zoë"]);
  });

  it("tells who was not seen for two weeks, who is stuck, who has a review due", () => {
    expect(names({ shown: "unseen" })).toEqual(["Ada", "Ben"]);
    expect(names({ shown: "stuck" })).toEqual(["Zoë"]);
    expect(names({ shown: "review" })).toEqual(["Ada"]);
    expect(names({ group: "g" })).toEqual(["Zoë"]);
    expect(names({ level: 2 })).toEqual(["Ben"]);
  });

  it("sorts by level, by who was seen longest ago, and by name among equals", () => {
    expect(names({ sort: "level" })).toEqual(["Zoë", "Ben", "Ada"]);
    expect(names({ sort: "seen" })).toEqual(["Ben", "Ada", "Zoë"]);
  });
});

describe("who is archived", () => {
  const put = (name: string, groups: readonly string[]): ArchivedStudent => ({
    ...{ id: name, name, groups, version: 1 },
    archivedAt: new Date(NOW).toISOString(),
    sameAs: null,
  });
  const found = (filter: Partial<RosterFilter>) =>
    archivedOf([put("Zoë", ["g"]), put("Old", [])], { ...ALL, ...filter }).map((one) => one.name);

  it("is found by name and group, in the order of names, whatever level and sort are chosen", () => {
    expect(found({})).toEqual(["Old", "Zoë"]);
    expect(found({ words: "zoe" })).toEqual(["Zoë"]);
    expect(found({ group: "g" })).toEqual(["Zoë"]);
    expect(found({ level: 4, sort: "seen" })).toEqual(["Old", "Zoë"]);
  });
});

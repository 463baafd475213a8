import { SETTINGS } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import type { Schema } from "joi";
import {
  comboChange,
  comboFile,
  combosRequest,
  decisionsRequest,
  groupChange,
  importRequest,
  newGroup,
  newStudent,
  pathQuery,
  setsRequest,
  settingValues,
  studentChange,
  studioChange,
  tokenParam,
} from "./schemas.js";

const ID = "0199c1b2-7a10-7c3e-9d52-1f0a3c5b7e90";
const AT = "2026-06-01T10:00:00.000Z";

/** The field that a value fails at; null for one that fits. */
function fault(schema: Schema, value: unknown): string | null {
  const { error } = schema.validate(value, { convert: false });
  return error === undefined ? null : (error.details[0]?.path.join(".") ?? "");
}

const set = {
  id: ID,
  studentId: ID,
  subject: "cross",
  side: "left",
  drill: { kind: "climb", top: 5, onMiss: "repeat" },
  clean: 3,
  misses: [{ position: 2, fault: "head" }],
  bestStreak: 2,
  countedBy: "tapped",
  at: AT,
};

describe("sets", () => {
  const of = (changes: object) => fault(setsRequest, { sets: [{ ...set, ...changes }] });

  it("fit as the format says", () => {
    expect(of({})).toBeNull();
    expect(of({ seconds: 12.5, misses: [{ count: 3 }] })).toBeNull();
    expect(of({ drill: { kind: "climb", top: 5, growing: true } })).toBeNull();
  });

  it("are refused for wrong types, negative counts and unknown keys, at their place", () => {
    expect(of({ clean: -1 })).toBe("sets.0.clean");
    expect(of({ clean: 2.5 })).toBe("sets.0.clean");
    expect(of({ side: "up" })).toBe("sets.0.side");
    expect(of({ colour: "red" })).toBe("sets.0.colour");
    expect(of({ misses: [{ position: 1, count: 2 }] })).toBe("sets.0.misses.0");
    expect(of({ misses: [{ fault: "nonsense" }] })).toBe("sets.0.misses.0.fault");
    expect(of({ id: ID.toUpperCase() })).toBe("sets.0.id");
    expect(fault(setsRequest, { sets: [] })).toBe("sets");
  });
});

describe("combos", () => {
  const part = { subject: "cross", side: "right", score: "xr o", times: 1 };
  const of = (changes: object) =>
    fault(combosRequest, { combos: [{ id: ID, name: "A", parts: [part], ...changes }] });
  const ofPart = (changes: object) => of({ parts: [{ ...part, ...changes }] });

  it("fit as the format says", () => {
    expect(of({})).toBeNull();
    expect(ofPart({ subject: null, side: "whole", times: 99 })).toBeNull();
    expect(ofPart({ subject: `combo:${ID}` })).toBeNull();
    expect(fault(comboChange, { version: 1, isRemoved: true })).toBeNull();
  });

  it("are refused for what is missing, too much, or unknown, at their place", () => {
    expect(of({ name: " ".repeat(3) })).toBe("combos.0.name");
    expect(of({ name: "x".repeat(81) })).toBe("combos.0.name");
    expect(of({ parts: [] })).toBe("combos.0.parts");
    expect(of({ parts: Array.from({ length: 401 }, () => part) })).toBe("combos.0.parts");
    expect(ofPart({ times: 0 })).toBe("combos.0.parts.0.times");
    expect(ofPart({ times: 100 })).toBe("combos.0.parts.0.times");
    expect(ofPart({ score: "" })).toBe("combos.0.parts.0.score");
    expect(ofPart({ colour: "red" })).toBe("combos.0.parts.0.colour");
    expect(fault(combosRequest, { combos: [] })).toBe("combos");
    expect(fault(combosRequest, { combos: [1, 2].map(() => ({ id: ID, name: "A", parts: [part] })) })).toBe(
      "combos.1",
    );
    expect(fault(comboChange, { name: "A" })).toBe("version");
  });

  it("come from files of one format and version alone", () => {
    const file = { format: "mirrup-combo", version: 1, name: "A", score: "o" };
    expect(fault(comboFile, file)).toBeNull();
    expect(fault(comboFile, { ...file, version: 2 })).toBe("version");
    expect(fault(comboFile, { ...file, format: "other" })).toBe("format");
    expect(fault(comboFile, { ...file, parts: [] })).toBe("parts");
  });

  it("are shown by links that look like one", () => {
    expect(fault(tokenParam, "abcdefghijklmnopqrstuvwxyz_-0123")).toBeNull();
    for (const text of [
      "",
      "short",
      "a".repeat(101),
      "../../etc/passwd/of/somebody",
      "abc defghijklmnopqrstuvwxyz",
    ]) {
      expect(fault(tokenParam, text)).toBe("");
    }
  });
});

describe("decisions", () => {
  const of = (decision: object, changes: object = {}) =>
    fault(decisionsRequest, {
      decisions: [
        { id: ID, studentId: ID, subject: "cross", side: "left", decision, reason: "", at: AT, ...changes },
      ],
    });

  it("carry what their kind asks, and nothing of another", () => {
    expect(of({ kind: "clear", count: null })).toBeNull();
    expect(of({ kind: "clear", count: 8 })).toBeNull();
    expect(of({ kind: "clear" })).toBe("decisions.0.decision.count");
    expect(of({ kind: "reopen", count: 3 })).toBe("decisions.0.decision.count");
    expect(of({ kind: "place", answer: "nearly", seen: true })).toBeNull();
    expect(of({ kind: "place", answer: "perhaps", seen: true })).toBe("decisions.0.decision.answer");
    expect(of({ kind: "void", target: ID })).toBeNull();
    expect(of({ kind: "void" })).toBe("decisions.0.decision.target");
    expect(of({ kind: "forget" })).toBe("decisions.0.decision.kind");
  });

  it("set gates that can be met", () => {
    const gate = (one: object | null) => of({ kind: "override", gate: one });
    expect(gate({ kind: "streak", count: 12 })).toBeNull();
    expect(gate({ kind: "clean", clean: 4, of: 5 })).toBeNull();
    expect(gate(null)).toBeNull();
    // Growth is no gate's own: it comes of whoever stands before it.
    expect(gate({ kind: "streak", count: 50, runsUntil: "2030-01-01" })).not.toBeNull();
    for (const bad of [
      { kind: "streak", count: 0 },
      { kind: "clean", clean: 6, of: 5 },
      { kind: "hold", count: 3 },
      { kind: "count", count: 3 },
      { kind: "streak", count: 3, seconds: 4 },
    ]) {
      expect(gate(bad)).not.toBeNull();
    }
  });
});

describe("students", () => {
  it("need a name that is one", () => {
    expect(fault(newStudent, { name: "Wren" })).toBeNull();
    expect(fault(newStudent, {})).toBe("name");
    expect(fault(newStudent, { name: "   " })).toBe("name");
    expect(fault(newStudent, { name: "x".repeat(121) })).toBe("name");
  });

  it("are changed field by field, from a version, within sane ranges", () => {
    const of = (changes: object) => fault(studentChange, { version: 1, ...changes });
    expect(of({ heightMm: 1520, birthYear: 2014, dominantHand: null, notes: "" })).toBeNull();
    expect(of({ heightMm: 3000 })).toBe("heightMm");
    expect(of({ ropeLengthMm: 90 })).toBe("ropeLengthMm");
    expect(of({ yearsJumping: -1 })).toBe("yearsJumping");
    expect(of({ homeStep: "moonwalk" })).toBe("homeStep");
    expect(of({ cautions: ["pain", "pain"] })).toBe("cautions.1");
    expect(of({ goals: [{ subject: "cross", side: "up" }] })).toBe("goals.0.side");
    expect(fault(studentChange, { notes: "x" })).toBe("version");
  });

  it("say the range in words", () => {
    const { error } = newStudent.validate({ name: "x", heightMm: 3000 });
    expect(error?.message).toContain("between 60 and 240 cm");
  });

  it("come from a file with the names of their groups, one at least", () => {
    expect(fault(importRequest, { students: [{ name: "Wren", groups: ["Fridays"] }] })).toBeNull();
    expect(fault(importRequest, { students: [{ name: "Wren", groups: [""] }] })).toBe("students.0.groups.0");
    expect(fault(importRequest, { students: [] })).toBe("students");
    expect(fault(importRequest, { students: [{ name: "Wren", archived: true }] })).toBe(
      "students.0.archived",
    );
  });
});

describe("groups", () => {
  it("meet on a day of the week at a time of the day", () => {
    expect(fault(newGroup, { name: "Fridays", weekday: 5, startTime: "17:30", place: "" })).toBeNull();
    expect(fault(newGroup, { name: "Fridays", weekday: 8 })).toBe("weekday");
    for (const startTime of ["24:00", "7:30", "17.30", "17:60"]) {
      expect(fault(newGroup, { name: "Fridays", startTime })).toBe("startTime");
    }
    expect(fault(groupChange, { name: "Fridays" })).toBe("version");
    expect(fault(newGroup, { name: "Fridays", members: [ID, ID] })).toBe("members.1");
  });
});

describe("how a studio teaches", () => {
  it("takes each setting's options, and no others", () => {
    for (const { id, options } of SETTINGS) {
      for (const option of options) expect(fault(settingValues, { [id]: option.id })).toBeNull();
      expect(fault(settingValues, { [id]: "something else" })).toBe(id);
    }
    expect(fault(studioChange, { version: 1, settings: { weather: "fine" } })).toBe("settings.weather");
    expect(fault(studioChange, { version: 1, school: "no-school" })).toBe("school");
  });

  it("reads goals from an address, one or several", () => {
    expect(pathQuery.validate({ goal: "cross:left" }).value).toEqual({ goal: ["cross:left"] });
    expect(pathQuery.validate({ goal: ["cross:left", "skier:whole"] }).error).toBeUndefined();
    expect(pathQuery.validate({ goal: "cross" }).error).toBeDefined();
    expect(pathQuery.validate({ goal: "CROSS:up" }).error).toBeDefined();
  });
});

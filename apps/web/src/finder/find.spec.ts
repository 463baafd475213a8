import { describe, expect, it } from "@jest/globals";
import type { ArchivedStudent, ComboView, GroupView, StudentView } from "@mirrup/contract";
import fc from "fast-check";
import { pathsOf } from "../app/paths.js";
import { searchSkills } from "../skill-book/search.js";
import { find, KINDS, MOST_OF_A_KIND, type Findable } from "./find.js";

const paths = pathsOf("s");
const idOf = (name: string) => name.toLowerCase().replaceAll(" ", "-");
const STUDENTS = ["Hana Petrivale", "Anton Breckfield", "Zoë Marchbank", "Anouk Hale"].map(
  (name) => ({ id: idOf(name), name, level: 3 }) as unknown as StudentView,
);
const GONE: ArchivedStudent = {
  ...{ id: "gone-away", name: "Gone Away", version: 2, groups: [] },
  archivedAt: "2026-05-04T10:00:00.000Z",
  sameAs: null,
};
const combo = (name: string, isRemoved = false) =>
  ({ id: name, name, isRemoved, parts: ["cross", "skier"] }) as unknown as ComboView;
const findable: Findable = {
  students: STUDENTS,
  archived: [GONE],
  groups: [
    {
      id: "g",
      name: "Tuesday juniors",
      archived: false,
      weekday: 2,
      startTime: null,
      place: "",
    } as unknown as GroupView,
  ],
  combos: [combo("Side to side"), combo("Left behind", true)],
  programmes: new Map([
    [
      "programme:wagtail",
      {
        ...{ kind: "programme", name: "Wagtail", order: "free", before: null, allBut: 0 },
        headings: [{ title: "", items: [{ skill: "cross", side: "both", ask: { kind: "gate" } }] }],
      },
    ],
  ]),
  skills: searchSkills,
  paths,
  student: null,
};
const toOf = (words: string, more: Partial<Findable> = {}) =>
  [...find(words, { ...findable, ...more }).values()].flat().map(({ to }) => to);

describe("finding anything", () => {
  it("offers the pages before a letter is typed", () => {
    expect([...find(" ", findable).keys()]).toEqual(["page"]);
    expect(toOf("")).toContain(paths.today);
  });

  it.each([
    ["petri", paths.student("hana-petrivale")],
    ["zoe", paths.student("zoë-marchbank")],
    ["br an", paths.student("anton-breckfield")],
    ["hanna", paths.student("hana-petrivale")],
    ["gone", paths.student("gone-away")],
    ["hana rec", paths.studentPage("hana-petrivale", "record")],
    ["hana petrivale session", paths.studentPage("hana-petrivale", "session")],
    ["settings", paths.studio],
    ["csv", paths.importing],
    ["new skill", paths.skill("new")],
    ["wagt", paths.programme("programme:wagtail")],
    ["badge", paths.programmes],
    ["hana frontier", paths.studentPage("hana-petrivale", "frontier")],
    ["prerequisites", `${paths.class()}?view=frontier`],
  ])("finds by “%s” first what is meant", (words, to) => {
    expect(toOf(words)[0]).toBe(to);
  });

  it.each([
    ["side to side", paths.combo("Side to side")],
    ["tuesday", paths.class("g")],
    ["criss cross", paths.skill("cross")],
    ["timer", paths.classClock(undefined)],
  ])("finds by “%s” what has that name", (words, to) => {
    expect(toOf(words)).toContain(to);
  });

  it("leaves out what is merely like the words where something begins so", () => {
    expect([...find("hana", findable).keys()]).toEqual(["student"]);
    expect(toOf("side")).not.toContain(paths.student("hana-petrivale"));
  });

  it("finds who is archived, after those who come, and says so", () => {
    expect(find("gone", findable).get("student")).toMatchObject([{ name: "Gone Away", about: "archived" }]);
    const namesake = { ...GONE, id: "h", name: "Hana Petrivale" };
    const both = find("hana", { ...findable, archived: [namesake] }).get("student");
    expect(both?.map(({ about }) => about)).toEqual(["level 3", "archived"]);
  });

  it("leaves out combos that were removed, and pages of who is archived", () => {
    expect(toOf("left behind")).not.toContain(paths.combo("Left behind"));
    expect(toOf("gone rec")).not.toContain(paths.studentPage("gone-away", "record"));
  });

  it("opens a skill on the strands of whose page one is on", () => {
    const [hana] = STUDENTS;
    expect(hana).toBeDefined();
    const cross = toOf("cross", { student: hana ?? null });
    expect(cross.indexOf(paths.bead("hana-petrivale", "cross"))).toBe(0);
    expect(cross).toContain(paths.skill("cross"));
  });

  it("says nothing twice, and no more of a kind than are seen at once, whatever is typed", () => {
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 12 }), fc.stringMatching(/^[a-z ]{0,8}$/)), (words) => {
        const found = find(words, findable);
        const all = [...found.values()].flat();
        expect(new Set(all.map(({ to }) => to)).size).toBe(all.length);
        for (const [kind, things] of found) {
          expect(things.length).toBeGreaterThan(0);
          if (words.trim() !== "") expect(things.length).toBeLessThanOrEqual(MOST_OF_A_KIND);
          expect(things.every((one) => one.kind === kind)).toBe(true);
        }
        const kinds = [...found.keys()];
        expect(kinds).toEqual(KINDS.filter((kind) => kinds.includes(kind)));
      }),
    );
  });
});

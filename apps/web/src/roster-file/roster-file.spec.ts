import { csvOf } from "../app/sheet.js";
import { describe, expect, it } from "@jest/globals";
import type { GroupView, StudentDetail } from "@mirrup/contract";
import { readLength } from "./columns.js";
import { decodeText, rowsOfText } from "../app/file-rows.js";
import { readRoster as readRows, rosterSheet } from "./roster-file.js";

const readRoster = (text: string, known: Iterable<string>) => readRows(rowsOfText(text), known);

describe("a roster file", () => {
  it("is read by its headings, in any order and spelling", () => {
    const text = "GROUP;Full name;date of birth;Height\nFridays|Show;Lin Ash;3.4.2014;1.48 m\n;;;\n";
    const { rows, faults, overlooked } = readRoster(`${text}Tuesdays;Bo Reed;2012;58 in;x\n`, []);
    expect(faults).toEqual([]);
    expect(overlooked).toEqual([]);
    expect(rows.map((row) => row.student)).toEqual([
      { name: "Lin Ash", birthYear: 2014, heightMm: 1480, groups: ["Fridays", "Show"] },
      { name: "Bo Reed", birthYear: 2012, heightMm: 1473, groups: ["Tuesdays"] },
    ]);
  });

  it("says what is wrong, by line and column, and reads the rest", () => {
    const { rows, faults } = readRoster(
      "Name,Birth year,Height (cm),Dominant hand,Shoe\nA,soon,150,left,38\n,2012,150,,\nC,2012,300,,\nD,,,up,\nE,2011,,,",
      [],
    );
    expect(rows.map((row) => row.line)).toEqual([6]);
    expect(faults.map(({ line, column }) => `${line} ${column}`)).toEqual([
      "2 Birth year",
      "3 Name",
      "4 Height (cm)",
      "5 Dominant hand",
    ]);
  });

  it("marks who is there already, and who stands twice in the file", () => {
    const { rows } = readRoster("Name\nAda  Wren\nBo\nbo \n", ["ada wren"]);
    expect(rows.map((row) => row.isTwin)).toEqual([true, false, true]);
  });

  it("asks for a column of names", () => {
    const { rows, faults } = readRoster("Nom,Taille\nA,150\n", []);
    expect(rows).toEqual([]);
    expect(faults[0]?.message).toContain("No column is called “Name”");
  });

  it("is decoded from the encodings that spreadsheets write", () => {
    const latin = Uint8Array.from([0x5a, 0x6f, 0xeb]);
    expect(decodeText(latin)).toEqual({ text: "Zoë", encoding: "Windows-1252" });
    expect(decodeText(new TextEncoder().encode("Zoë")).encoding).toBe("UTF-8");
    const wide = Uint8Array.from([0xff, 0xfe, 0x5a, 0x00, 0xeb, 0x00]);
    expect(decodeText(wide).text).toBe("Zë");
  });

  it("reads lengths with and without a unit", () => {
    expect(["152", "1,52 m", "60 in", "1520 mm", "tall"].map(readLength)).toEqual([
      1520,
      1520,
      1524,
      1520,
      null,
    ]);
  });

  it("comes back as it was written", () => {
    const student: StudentDetail = {
      id: "1",
      version: 1,
      archived: false,
      sameAs: null,
      name: 'Quoted, "Name"',
      birthYear: 2013,
      yearsJumping: 2,
      heightMm: 1455,
      dominantHand: "left",
      strongerSide: null,
      ropeKind: "beaded",
      ropeLengthMm: 2300,
      ropeUse: "speed",
      homeStep: "boxer-step",
      goals: [],
      school: "steady-hold",
      settings: {},
      notes: "two\nlines",
      cautions: [],
      groups: ["g"],
      gates: {},
    };
    const group = { id: "g", name: "Fridays" } as GroupView;
    const { rows, faults } = readRoster(csvOf(rosterSheet([student], [group])), []);
    expect(faults).toEqual([]);
    const {
      id: _i,
      version: _v,
      archived: _a,
      sameAs: _o,
      strongerSide: _s,
      goals: _g,
      settings: _t,
      cautions: _c,
      gates: _x,
      ...kept
    } = student;
    expect(rows[0]?.student).toEqual({ ...kept, groups: ["Fridays"] });
  });
});

import { CATALOGUE } from "@mirrup/catalogue";
import { comboKey, scoreOf } from "@mirrup/core";
import { partsOfScore, repairsOf, type CombosFault } from "@mirrup/core/combos";
import { describe, expect, it } from "@jest/globals";
import {
  abilityWords,
  combosFaultWords,
  looseningWords,
  partName,
  repairWords,
  secondsWords,
} from "./words.js";

const parts = (text: string) => partsOfScore(CATALOGUE, scoreOf(text));
const NONE = new Map<string, string>();

describe("words about combos", () => {
  it("name a part by its skill, its combo or its turns", () => {
    const key = comboKey("00000000-0000-7000-8000-000000000001");
    const combo = { subject: key, side: "left", score: "o", times: 1 } as const;
    expect(parts("xl o (o o)/l>b").map((part) => partName(part, NONE))).toEqual([
      "cross, left side",
      "(o o)/l>b",
    ]);
    expect(partName(combo, new Map([[key, "Opener"]]))).toBe("Opener, mirrored");
    expect(partName(combo, NONE)).toBe("a saved combo, mirrored");
  });

  it("say what a repair does and what it costs", () => {
    const faulty = [...parts("sr sl"), ...parts("xr o")];
    const words = repairsOf(CATALOGUE, faulty, 1).map((repair) => repairWords(repair, NONE));
    expect(words).toContain("Do what follows on the other side (xl o): costs nothing");
    expect(words.some((one) => one.startsWith("Put a bounce between (o): costs"))).toBe(true);
  });

  it("say what would have to give", () => {
    const fault: CombosFault = {
      code: "impossible",
      loosen: [
        { code: "spacing", spacing: 1 },
        { code: "counts", counts: 16 },
      ],
      together: [],
    };
    expect(combosFaultWords(fault)).toContain("space hard moves by 1 only or make it 16 counts long");
    expect(combosFaultWords({ ...fault, loosen: [], together: fault.loosen })).toContain(
      "These together would do",
    );
    expect(combosFaultWords({ ...fault, loosen: [] })).toContain("more skills");
    expect(combosFaultWords({ code: "in-and-out", key: "cross:left" })).toContain("cross, left side is both");
    expect(looseningWords({ code: "include", key: "cross" })).toBe("leave out cross");
  });

  it("say who lacks what", () => {
    const lacking = [{ subject: "cross", side: "left" }] as const;
    expect(abilityWords({ code: "now", lacking: [], unnamed: 0 })).toBe("could do it now.");
    expect(abilityWords({ code: "one-new", lacking, unnamed: 0 })).toBe(
      "all but one: cross, left side, which is open.",
    );
    expect(abilityWords({ code: "not-yet", lacking, unnamed: 1 })).toContain("judged by what they ask");
  });

  it("say seconds as one does", () => {
    expect([8.44, 72, 119.8].map(secondsWords)).toEqual(["8.4 s", "1 min 12 s", "2 min"]);
  });
});

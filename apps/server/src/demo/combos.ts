import { CATALOGUE } from "@mirrup/catalogue";
import type { SetRequest } from "@mirrup/contract";
import { comboKey, linkKey, scoreOf } from "@mirrup/core";
import { partsOfScore, type ComboPart } from "@mirrup/core/combos";
import { demoId } from "./demo-id.js";
import { practiceAt } from "./practice.js";

export interface DemoCombo {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  readonly parts: readonly ComboPart[];
}

function combo(name: string, score: string, note = ""): DemoCombo {
  return { id: demoId(`combo ${name}`), name, note, parts: partsOfScore(CATALOGUE, scoreOf(score)) };
}

const OPENER = combo(
  "Opener for eight",
  "o*2 sr sl (o o) xr o*2",
  "Begin the cross on the way down from the double.",
);

export const DEMO_COMBOS: readonly DemoCombo[] = [
  OPENER,
  combo("Easy eight", "o*2 sr o sl o xr o"),
  combo("Fused finish", "o*2 sr xr o (o xr) o*2"),
  combo("Step and swing, sixteen", "o*2 [o/r+tapl o/l+tapr]*2 o sr sl o [o/r o/l]*2 xr o*3"),
];

/** Whoever is on the way with the opener: its first link goes, the whole misses at the cross. */
export const LEARNER = "Amara Thistle";

/** What was logged of the demo's combos, two days before it is loaded. */
export function comboHistory(now: Date, timeZone: string): readonly SetRequest[] {
  const studentId = demoId(LEARNER);
  const start = practiceAt(now, 2, timeZone) + 1_800_000;
  const line = (
    place: number,
    subject: string,
    rest: Pick<SetRequest, "drill" | "clean" | "misses">,
  ): SetRequest => ({
    ...{
      id: demoId(`${studentId} combo ${place}`),
      studentId,
      subject,
      side: "right",
      bestStreak: 1,
      ...rest,
    },
    ...{ countedBy: "tapped", at: new Date(start + place * 240_000).toISOString() },
  });
  const whole = { kind: "one-out", count: 5, score: "o*2 sr sl (o o) xr o*2" } as const;
  return [
    line(0, linkKey(OPENER.id, 3), {
      drill: { kind: "link", count: 4, spacing: 0, score: "(o o) xr o" },
      clean: 13,
      misses: [{ position: 2 }, { position: 7 }, { position: 14 }],
    }),
    line(1, comboKey(OPENER.id), {
      drill: whole,
      clean: 3,
      misses: [
        { position: 2, turn: 5 },
        { position: 4, turn: 5 },
      ],
    }),
  ];
}

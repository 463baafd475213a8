/** The demo's programmes: two levels, the second after the first. */
import type { ItemSide, OwnProgramme, ProgrammeItem } from "@mirrup/core";
import { demoId } from "./demo-id.js";

const row = (skill: string, side: ItemSide, count: number): ProgrammeItem => ({
  ...{ skill, side },
  ask: { kind: "streak", count },
});

export const FIRST_PROGRAMME = `programme:${demoId("programme Wagtail")}`;

export const DEMO_PROGRAMMES: Readonly<Record<string, OwnProgramme>> = {
  [FIRST_PROGRAMME]: {
    ...{ kind: "programme", name: "Wagtail", order: "free", before: null, allBut: 1 },
    headings: [
      {
        title: "Ground",
        items: [
          row("basic-bounce", "whole", 30),
          row("run-step", "whole", 12),
          row("side-straddle", "whole", 8),
        ],
      },
      { title: "Beside", items: [row("side-swing", "both", 6)] },
      {
        title: "Through",
        items: [
          { skill: "cross", side: "either", ask: { kind: "shown" }, how: "out of a bounce, back into one" },
          { skill: "backward-bounce", side: "whole", ask: { kind: "gate" } },
        ],
      },
    ],
  },
  [`programme:${demoId("programme Kingfisher")}`]: {
    ...{ kind: "programme", name: "Kingfisher", order: "free", before: FIRST_PROGRAMME, allBut: 1 },
    headings: [
      {
        title: "Ground",
        items: [row("boxer-step", "whole", 24), row("side-boxer", "whole", 24), row("skier", "whole", 16)],
      },
      {
        title: "Beside",
        items: [
          row("double-side-swing", "both", 6),
          { skill: "half-turn", side: "either", ask: { kind: "clean", clean: 3, of: 5 } },
        ],
      },
      { title: "Through", items: [row("cross", "both", 8), row("cross-run", "both", 6)] },
    ],
  },
};

import { expect, test } from "@jest/globals";
import type { JumpMeasure, StudentDetail } from "@mirrup/contract";
import { scoreOf, sideScore, skillOf } from "@mirrup/core";
import { missMap } from "@mirrup/core/teaching";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { catalogue } from "../app/catalogue.js";
import { drawn } from "../testing/drawn.js";
import { MissPicture } from "./miss-picture.js";

const detail = { id: "s", name: "Wren Alder", heightMm: 1450, ropeLengthMm: null, dominantHand: "left" };
const jump: JumpMeasure = {
  ...{ id: "j", turns: 2, heightMm: 600, contactMs: 250, landings: 11, way: "taps" },
  measuredAt: "2026-06-01T10:00:00Z",
};
const SKILL = "open-cross-double";
const score = sideScore(skillOf(catalogue(), SKILL), "right") ?? scoreOf("o");
const map = missMap(score, [{ turn: 2, count: 3 }]);

function picture(jumps: readonly JumpMeasure[]) {
  return drawn(<MissPicture studentId="s" subject={SKILL} side="right" map={map} />, {
    answers: {
      "GET /students/s/detail": detail as unknown as StudentDetail,
      "GET /students/s/jumps": { items: jumps },
    },
  });
}

const seconds = () => Number(screen.getByRole("slider").getAttribute("aria-valuemax") ?? "0");

test("misses are on the braid, and the figure beside it is in the pass that was missed most", async () => {
  picture([]);
  expect(await screen.findByRole("img", { name: /^Misses on the braid of/ })).toBeTruthy();
  expect(await screen.findByRole("region", { name: /^Figure: / })).toBeTruthy();
});

test("the braid has the student's own jump, once it was measured", async () => {
  picture([]);
  await screen.findByRole("slider");
  const usual = seconds();
  cleanup();
  picture([jump]);
  await screen.findByRole("slider");
  await waitFor(() => expect(seconds()).toBeGreaterThan(usual));
});

/** How fast a figure is posed, and drawn by the processor alone, against the time that it plays. */
import { CHROMIUM_ARGS } from "./lib/chromium-args.mjs";
import { median, printRatio } from "./lib/measure.mjs";

/** 64 beats of everything: swings, crosses, multiples, a turn, a wrap. */
const COMBO = "[o*4 sr xr o [o/r+tapl o/l+tapr]*2 (o xr) o ur o br o (sr xr bl o) o]*3 o*10";
const FRAMES_A_SECOND = 60;
/** Longer than it is watched, so that it does not begin anew. */
const PLAYED = "[o*3 sr xr o (o xr) o ur o]*2";
const PLAYED_MS = 5000;
const FRAME_MS = 1000 / FRAMES_A_SECOND;

/** Poses of 64 beats at 60 a second, against the time that they play. */
export async function benchPoses() {
  const { motionOf, poseAt, scoreOf } = await import("./lib/core.mjs");
  const motion = motionOf(scoreOf(COMBO));
  const pose = () => {
    const started = performance.now();
    for (let at = 0; at < motion.to; at += 1 / FRAMES_A_SECOND) poseAt(motion, at);
    return performance.now() - started;
  };
  pose();
  const took = median(Array.from({ length: 7 }, pose));
  printRatio(
    `poses of ${motion.beats.length} beats at 60 a second`,
    took,
    1000 * motion.to,
    "the time that they play (aim 0.1)",
  );
}

/** A figure of 640 × 480 played by software rendering: its frames, and whether it keeps to the clock. */
export async function benchFigure(address, root, executablePath) {
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch({ executablePath, args: CHROMIUM_ARGS });
  const page = await browser.newPage({ viewport: { width: 1370, height: 800 }, baseURL: address });
  await page.request.post("/api/auth/demo");
  await page.goto(`${root}/timing?score=${encodeURIComponent(PLAYED)}`);
  const figure = page.getByRole("img", { name: /as it is jumped/ });
  await page.waitForFunction(() => document.querySelector("canvas[data-stage='deep']") !== null);
  await figure.evaluate((canvas) => Object.assign(canvas.style, { width: "640px", height: "480px" }));
  await page.getByText("as jumped").click();
  await page.getByRole("button", { name: "Play the figure" }).click();
  const { frames, ratio } = await page.evaluate(async (playedMs) => {
    const { requestAnimationFrame, performance, document } = globalThis;
    const canvas = document.querySelector("canvas[data-stage]");
    const deltas = [];
    const first = Number(canvas.dataset.at ?? 0);
    const began = performance.now();
    let before = began;
    while (performance.now() - began < playedMs) {
      await new Promise(requestAnimationFrame);
      const now = performance.now();
      deltas.push(now - before);
      before = now;
    }
    return { frames: deltas, ratio: (1000 * (Number(canvas.dataset.at) - first)) / (before - began) };
  }, PLAYED_MS);
  const sorted = [...frames].sort((one, other) => one - other);
  printRatio(
    "a figure's frame of 640 × 480, by the processor alone",
    median(frames),
    FRAME_MS,
    "16.7 ms (aim 1, or fewer frames)",
  );
  printRatio("19 in 20 of them", sorted[Math.floor(0.95 * sorted.length)], FRAME_MS, "16.7 ms");
  console.log(`the figure's clock: ${ratio.toFixed(2)} × real time (aim 1)`);
  await browser.close();
}

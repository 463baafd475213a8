/** How smoothly the whole map pans and zooms in Chromium: frames and script, by the performance API. */
import { printRatio } from "./lib/measure.mjs";
import { CHROMIUM_ARGS } from "./lib/chromium-args.mjs";

const SECONDS = 6;

function percentile(values, share) {
  const sorted = [...values].sort((one, other) => one - other);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
}

/** Milliseconds of script that Chromium ran so far on the page. */
async function scriptMs(session) {
  const { metrics } = await session.send("Performance.getMetrics");
  return 1000 * metrics.find((metric) => metric.name === "ScriptDuration").value;
}

/** Drags and zooms a student's map for some seconds and prints what each frame took. */
export async function benchMap(address, root, studentId, executablePath) {
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch({ executablePath, args: CHROMIUM_ARGS });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: address });
  await page.request.post("/api/auth/demo");
  await page.goto(`${root}/students/${studentId}`);
  await page.getByRole("button", { name: /^basic bounce:/ }).waitFor();
  await page.getByRole("button", { name: /The whole map/ }).click();
  const session = await page.context().newCDPSession(page);
  await session.send("Performance.enable");
  await page.evaluate(() => {
    const frames = [];
    let last = performance.now();
    const tick = (now) => {
      frames.push(now - last);
      last = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    globalThis.benchFrames = frames;
  });
  const before = await scriptMs(session);
  const ends = Date.now() + SECONDS * 1000;
  for (let turn = 0; Date.now() < ends; turn += 1) {
    await page.mouse.move(500, 500);
    await page.mouse.down();
    await page.mouse.move(500 + 160 * Math.sin(turn), 500 + 160 * Math.cos(turn), { steps: 12 });
    await page.mouse.up();
    await page.keyboard.down("Control");
    for (let step = 0; step < 4; step += 1) await page.mouse.wheel(0, turn % 2 === 0 ? -60 : 60);
    await page.keyboard.up("Control");
  }
  const frames = await page.evaluate(() => globalThis.benchFrames.slice(1));
  const script = (await scriptMs(session)) - before;
  await browser.close();
  printRatio(
    "panning and zooming the map, 95th percentile of frames",
    percentile(frames, 0.95),
    32,
    "the limit",
  );
  printRatio("script a frame meanwhile", script / frames.length, 8, "the limit");
}

/** How soon a tap on the floor is on the screen, and on the device, in Chromium. */
import { CHROMIUM_ARGS } from "./lib/chromium-args.mjs";
import { printRatio } from "./lib/measure.mjs";

const TAPS = 200;
const BETWEEN_MS = 60;
const FRAME_MS = 1000 / 60;
const STORED_MS = 50;

function percentile95(times) {
  const sorted = [...times].sort((one, other) => one - other);
  return sorted[Math.min(sorted.length - 1, Math.floor(0.95 * sorted.length))] ?? NaN;
}

/** Runs in the page before its own scripts: notes presses, changes of the screen, and finished transactions. */
function watch() {
  const times = { pressed: [], shown: [], stored: [] };
  globalThis.mirrupTimes = times;
  globalThis.addEventListener("keydown", () => times.pressed.push(performance.now()), true);
  const put = globalThis.IDBObjectStore.prototype.put;
  globalThis.IDBObjectStore.prototype.put = function (...args) {
    if (this.name === "runs") {
      this.transaction.addEventListener("complete", () => times.stored.push(performance.now()));
    }
    return put.apply(this, args);
  };
}

/** `path` is the floor of a student. */
export async function benchTaps(address, path, executablePath) {
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch({ executablePath, args: CHROMIUM_ARGS });
  const page = await browser.newPage();
  await page.request.post(`${address}/api/auth/demo`);
  await page.addInitScript(watch);
  await page.goto(`${address}${path}`);
  await page.getByRole("button", { name: /^Clean/ }).waitFor();
  await page.evaluate(() => {
    const statuses = [...document.querySelectorAll("[role=status]")];
    const numerals = statuses.find((one) => one.textContent.includes("in a row"));
    new globalThis.MutationObserver(() => globalThis.mirrupTimes.shown.push(performance.now())).observe(
      numerals,
      {
        characterData: true,
        childList: true,
        subtree: true,
      },
    );
  });
  for (let tap = 0; tap < TAPS; tap += 1) {
    await page.keyboard.press("Space");
    await page.waitForTimeout(BETWEEN_MS);
  }
  const { pressed, shown, stored } = await page.evaluate(() => globalThis.mirrupTimes);
  await browser.close();
  const after = (times) => pressed.map((at) => (times.find((time) => time >= at) ?? NaN) - at);
  printRatio("a tap on the screen, 95th percentile", percentile95(after(shown)), FRAME_MS, "a frame");
  printRatio(
    "a tap stored on the device, 95th percentile",
    percentile95(after(stored)),
    STORED_MS,
    "the limit",
  );
}

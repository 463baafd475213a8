/** How soon a tap on the floor is on the screen, and on the device, in Chromium. */
import { clearInterval, setInterval } from "node:timers";
import { CHROMIUM_ARGS } from "./lib/chromium-args.mjs";
import { printRatio } from "./lib/measure.mjs";

/** What else the machine does at one time weighs on a round, and on the middle one little. */
const ROUNDS = 5;
const TAPS = 100;
const BETWEEN_MS = 60;
const FRAME_MS = 1000 / 60;
const STORED_MS = 50;
const SLOWED = 4;
const RUNNING_MS = 2000;
/** Others in the hall change something as often. */
const EVENT_MS = 500;

const middle = (times) => times.toSorted((one, other) => one - other)[Math.floor(times.length / 2)] ?? NaN;

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

/** Starts the beat, the braid and the voice, slows the processor, and has others change things meanwhile. */
async function burden(page, address, headers, path) {
  await slow(page);
  await page.keyboard.press("v");
  await page.getByRole("button", { name: "Beat", exact: true }).click();
  const students = await fetch(`${address}/api/students`, { headers }).then((answer) => answer.json());
  const other = students.items.find(({ id }) => !path.includes(id));
  const said = () =>
    fetch(`${address}/api/students/${other.id}/stop`, { method: "DELETE", headers, body: "{}" });
  // The words are read and the first beats heard before it counts.
  await page.waitForTimeout(RUNNING_MS);
  const timer = setInterval(() => void said().catch(() => undefined), EVENT_MS);
  return () => clearInterval(timer);
}

async function round(page) {
  await page.evaluate(() => {
    for (const times of Object.values(globalThis.mirrupTimes)) times.length = 0;
  });
  for (let tap = 0; tap < TAPS; tap += 1) {
    await page.keyboard.press("Space");
    await page.waitForTimeout(BETWEEN_MS);
  }
  const { pressed, shown, stored } = await page.evaluate(() => globalThis.mirrupTimes);
  const after = (when) => pressed.map((at) => (when.find((time) => time >= at) ?? NaN) - at);
  return { shown: percentile95(after(shown)), stored: percentile95(after(stored)) };
}

/** The 95th percentile of several rounds of taps, and of these the middle one. */
async function times(page) {
  await page.evaluate(() => {
    const statuses = [...document.querySelectorAll("[role=status]")];
    const numerals = statuses.find((one) => one.textContent.includes("in a row"));
    const watched = { characterData: true, childList: true, subtree: true };
    const { mirrupTimes, MutationObserver } = globalThis;
    new MutationObserver(() => mirrupTimes.shown.push(performance.now())).observe(numerals, watched);
  });
  const rounds = [];
  for (let count = 0; count < ROUNDS; count += 1) rounds.push(await round(page));
  return { shown: middle(rounds.map((one) => one.shown)), stored: middle(rounds.map((one) => one.stored)) };
}

async function slow(page) {
  const session = await page.context().newCDPSession(page);
  await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWED });
}

/** The same of a page that has nothing but the number: what the slowing itself costs. */
async function bareTimes(browser) {
  const page = await browser.newPage();
  await page.setContent('<p role="status">0 in a row</p>');
  await page.evaluate(watch);
  await page.evaluate(() => {
    const [status] = document.querySelectorAll("p");
    let taps = 0;
    globalThis.addEventListener("keydown", () => {
      taps += 1;
      status.textContent = `${taps} in a row`;
    });
  });
  await slow(page);
  const bare = await times(page);
  await page.close();
  return bare;
}

async function open(browser, address, path) {
  const page = await browser.newPage();
  await page.request.post(`${address}/api/auth/demo`);
  await page.addInitScript(watch);
  await page.goto(`${address}${path}`);
  await page.getByRole("button", { name: /^Clean/ }).waitFor();
  return page;
}

/** `path` is the floor of a student; `headers` are a coach's, who changes another student meanwhile. */
export async function benchTaps(address, path, executablePath, headers) {
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch({ executablePath, args: CHROMIUM_ARGS });
  const first = await open(browser, address, path);
  const plain = await times(first);
  await first.close();
  printRatio("a tap on the screen, 95th percentile", plain.shown, FRAME_MS, "a frame");
  printRatio("a tap stored on the device, 95th percentile", plain.stored, STORED_MS, "the limit");
  const page = await open(browser, address, path.replace("/skier/", "/bell/"));
  const relieve = await burden(page, address, headers, path);
  const full = await times(page);
  relieve();
  await page.close();
  const bare = await bareTimes(browser);
  await browser.close();
  printRatio(
    "the same with beat, braid, voice and events, the processor slowed 4 times",
    full.shown,
    FRAME_MS,
    "a frame",
  );
  printRatio("a page of one number, slowed alike", bare.shown, FRAME_MS, "a frame");
}

import type { Page } from "@playwright/test";
import { expect, floorIsOpen, press, test } from "./fixtures.js";

/** What was told to the audio clock, seconds of its own. */
interface Heard {
  readonly clicks: readonly (readonly [told: number, now: number])[];
  /** When a recorded word was told to begin, and when a sound of it is heard. */
  readonly words: readonly (readonly [told: number, heard: number])[];
}

/**
 * Listens to what the page plays: the clicks as they are told to the audio clock, and of the recorded words the samples
 * themselves, since a recording may begin with silence.
 */
async function listenIn(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const heard: { clicks: [number, number][]; words: [number, number][] } = { clicks: [], words: [] };
    Object.assign(globalThis, { heard });
    class Oscillator extends OscillatorNode {
      override start(when = 0): void {
        heard.clicks.push([when, this.context.currentTime]);
        super.start(when);
      }
    }
    class Source extends AudioBufferSourceNode {
      override start(when = 0, offset = 0, duration = 0): void {
        const rate = this.buffer?.sampleRate ?? 1;
        const all = this.buffer?.getChannelData(0) ?? new Float32Array();
        const samples = [...all.slice(offset * rate, (offset + duration) * rate)].map(Math.abs);
        const loudest = Math.max(...samples);
        const silent = samples.findIndex((one) => one > loudest / 10);
        heard.words.push([when, when + silent / rate / this.playbackRate.value]);
        super.start(when, offset, duration);
      }
    }
    AudioContext.prototype.createOscillator = function () {
      return new Oscillator(this);
    };
    AudioContext.prototype.createBufferSource = function () {
      return new Source(this);
    };
    // A browser's own voice is another device's.
    const silent = { getVoices: () => [], cancel: () => undefined };
    Object.defineProperty(globalThis, "speechSynthesis", { value: silent });
  });
}
const heardOn = (page: Page) => page.evaluate(() => Reflect.get(globalThis, "heard") as Heard);

test("a pattern is called by recorded words that come with the beat, on the audio clock", async ({
  page,
  mirrup,
}) => {
  await listenIn(page);
  await page.goto(`${await mirrup.studentPath("Jonas Quist")}/floor/side-swing/left?kind=streak&aim=20`);
  await floorIsOpen(page);
  // Off until it is asked for: nothing is read, and nothing is said.
  await page.getByRole("button", { name: "Call it out" }).click();
  await expect.poll(async () => (await heardOn(page)).clicks.length).toBeGreaterThan(4);
  expect((await heardOn(page)).words).toEqual([]);
  await page.getByRole("button", { name: "Stop calling" }).click();
  const read = page.waitForResponse((reply) => reply.url().endsWith(".mp3"));
  await page.keyboard.press("v");
  expect((await read).ok()).toBe(true);
  await expect(page.getByRole("button", { name: "Voice (V)" })).toHaveAttribute("aria-pressed", "true");
  await page.evaluate(() =>
    Object.assign(Reflect.get(globalThis, "heard") as object, { clicks: [], words: [] }),
  );
  await page.getByRole("button", { name: "Call it out" }).click();
  await expect.poll(async () => (await heardOn(page)).words.length, { timeout: 20_000 }).toBeGreaterThan(16);
  const { clicks, words } = await heardOn(page);
  // With each beat, once the recording is there, a word begins, and is heard no more than 60 ms after it.
  const told = words.map(([at]) => at);
  const [first, last] = [Math.min(...told), Math.max(...told)];
  // A page that was busy for longer than it looks ahead says nothing late; of all others each has its word.
  const timely = clicks.filter(([at, now]) => now <= at && at >= first && at <= last);
  expect(timely.length).toBeGreaterThan(4);
  for (const [click] of timely) {
    const off = words.map(([, heard]) => Math.abs(heard - click));
    expect(Math.min(...off)).toBeLessThanOrEqual(0.06);
  }
});

test("a set is counted aloud as it is tapped, and nothing stops where the words cannot be read", async ({
  page,
  mirrup,
}) => {
  await listenIn(page);
  const floor = `${await mirrup.studentPath("Jonas Quist")}/floor/side-swing/right?kind=streak&aim=20`;
  await page.route("**/*.mp3", (route) => route.abort());
  await page.goto(floor);
  await floorIsOpen(page);
  await page.keyboard.press("v");
  await press(page, "Space", 3);
  await expect(page.getByText("clean 3")).toBeVisible();
  expect((await heardOn(page)).words).toEqual([]);
  await page.unroute("**/*.mp3");
  const read = page.waitForResponse((reply) => reply.url().endsWith(".mp3"));
  await page.goto(floor);
  await floorIsOpen(page);
  await read;
  await expect(async () => {
    await press(page, "Space", 1);
    expect((await heardOn(page)).words.length).toBeGreaterThan(0);
  }).toPass();
});

import { readFile } from "node:fs/promises";
import type { Locator, Page, Request } from "@playwright/test";
import { settled } from "../scripts/lib/settled.mjs";
import { expect, expectAccessible, floorIsOpen, press, test } from "./fixtures.js";

const figureOf = (page: Page) => page.getByRole("img", { name: /as it is jumped/ });

/** What of a picture is painted, so that two can be told apart. */
const look = async (picture: Locator) => (await picture.screenshot()).toString("base64");

const secondsAt = async (figure: Locator) => Number(await figure.getAttribute("data-at"));

test("a skill's figure plays in step with its braid, is turned, slowed, compared, printed and taken out", async ({
  page,
  mirrup,
}) => {
  await page.emulateMedia({ reducedMotion: "no-preference" });
  await page.goto(`${mirrup.root}/skills/leg-over-double`);
  const figure = figureOf(page);
  await expect(figure).toHaveAttribute("data-stage", "deep");
  await expectAccessible(page);
  const still = await look(figure);

  // It plays with the braid, and stands where that stands.
  await page.getByText("a tenth").click();
  await page.getByRole("button", { name: "Play the figure" }).click();
  await expect.poll(() => secondsAt(figure)).toBeGreaterThan(0.05);
  await page.getByRole("button", { name: "Pause", exact: true }).click();
  const at = await secondsAt(figure);
  await expect.poll(() => secondsAt(figure)).toBe(at);
  const slider = page.getByRole("slider", { name: "Time" });
  expect(Number(await slider.getAttribute("aria-valuenow"))).toBeCloseTo(at, 1);
  const paused = await look(figure);
  expect(paused).not.toBe(still);

  // From another side: by name, by the keys, by dragging.
  await page.getByText("Side", { exact: true }).click();
  const side = await look(figure);
  expect(side).not.toBe(paused);
  await figure.focus();
  await page.keyboard.press("ArrowRight");
  const keyed = await look(figure);
  expect(keyed).not.toBe(side);
  await expect(page.getByText("Drag the picture to turn it.")).toBeVisible();
  const box = await figure.boundingBox();
  if (box === null) throw new Error("The figure has no place.");
  await page.mouse.move(box.x + 200, box.y + 200);
  await page.mouse.down();
  await page.mouse.move(box.x + 320, box.y + 190, { steps: 4 });
  await page.mouse.up();
  const dragged = await look(figure);
  expect(dragged).not.toBe(keyed);

  // Beside its mirror, and with what comes next.
  await page.getByRole("combobox", { name: "Beside it" }).click();
  await page.getByRole("option", { name: "the other side" }).click();
  const both = await look(figure);
  expect(both).not.toBe(dragged);
  await page.getByLabel("Where the hands, the rope and the feet come next").check();
  expect(await look(figure)).not.toBe(both);

  // As a clip, made beside the page.
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as a clip" }).click();
  const clip = await saved;
  expect(clip.suggestedFilename()).toBe("leg-over-double.gif");
  const bytes = await readFile(await clip.path());
  expect(bytes.subarray(0, 6).toString("latin1")).toBe("GIF89a");
  // Frames are told apart by their own headers.
  const frames = bytes.toString("latin1").split("\u0000\u0021\u00f9\u0004").length;
  expect(frames).toBeGreaterThan(20);
  await expect(page.getByText("Saved as leg-over-double.gif.")).toBeVisible();

  // As six frames on paper.
  await page.getByRole("link", { name: "Print six frames" }).click();
  await expect(page.getByRole("heading", { name: "Leg-over double" })).toBeVisible();
  await expect(page.getByRole("main").getByRole("listitem")).toHaveCount(5);
  await expect(page.getByText("Rope under the feet: leg-over cross, right leg lifted")).toBeVisible();
  await expectAccessible(page);
});

test("without graphics, or once they are taken away, the figure is flat, and where nothing is to move it is six frames", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/skills/cross`);
  await expect(page.getByText("Rope under the feet: cross with the right arm on top")).toBeVisible();
  await page.getByRole("button", { name: "Show it moving" }).click();
  const figure = figureOf(page);
  await expect(figure).toHaveAttribute("data-stage", "deep");
  await figure.evaluate((canvas: HTMLCanvasElement) =>
    canvas.getContext("webgl2")?.getExtension("WEBGL_lose_context")?.loseContext(),
  );
  await expect(figure).toHaveAttribute("data-stage", "flat");
  const still = await look(figure);
  await page.getByRole("button", { name: "Play the figure" }).click();
  await expect.poll(() => look(figure)).not.toBe(still);

  await page.addInitScript(() => {
    const real = Object.getOwnPropertyDescriptor(HTMLCanvasElement.prototype, "getContext");
    Object.defineProperty(HTMLCanvasElement.prototype, "getContext", {
      value(this: HTMLCanvasElement, kind: string, options?: unknown) {
        const get = real?.value as (this: HTMLCanvasElement, kind: string, options?: unknown) => unknown;
        return kind.startsWith("webgl") ? null : get.call(this, kind, options);
      },
    });
  });
  await page.reload();
  await page.getByRole("button", { name: "Show it moving" }).click();
  await expect(figureOf(page)).toHaveAttribute("data-stage", "flat");
});

test("a score with a fault is shown as far as that, and why", async ({ page, mirrup }) => {
  await page.emulateMedia({ reducedMotion: "no-preference" });
  await page.goto(`${mirrup.root}/timing?score=o+ul%2Fl+o`);
  await expect(page.getByText(/The figure stops in jump 2:/)).toBeVisible();
  await page.getByRole("textbox", { name: "Score" }).fill("o zz");
  await expect(page.getByText("“zz” names no arms")).toBeVisible();
  await expect(figureOf(page)).toBeHidden();
  await page.getByRole("textbox", { name: "Score" }).fill("[o*64]*64");
  await expect(figureOf(page)).toHaveAttribute("data-stage", "deep");
  await expect(page.getByText("The first 64 beats are drawn.")).toBeVisible();
});

test("a student's jump is measured from tapped landings, kept, and their windows are told by it", async ({
  page,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Ines Varga-Holt");
  await page.goto(`${student}/record`);
  await page.getByRole("link", { name: "Measure a jump" }).click();
  await expect(page.getByRole("heading", { name: "How high Ines Varga-Holt jumps" })).toBeVisible();
  const heights = page.getByRole("region", { name: "How high, how fast" });
  const before = await heights.getByRole("row", { name: /^Double/ }).innerText();
  // Eleven landings, 700 ms apart by their own times: 25 cm.
  await page.getByRole("button", { name: /^Landing/ }).evaluate((pad) => {
    for (let tap = 0; tap < 11; tap += 1) {
      const event = new PointerEvent("pointerdown", { bubbles: true });
      Object.defineProperty(event, "timeStamp", { value: 5000 + 700 * tap });
      pad.dispatchEvent(event);
    }
  });
  await expect(page.getByText("25 cm", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Keep it on the record" }).click();
  await expect(page.getByText(/25 cm in a double.*from tapped landings/)).toBeVisible();
  await expect(heights.getByRole("row", { name: /^Double/ })).toContainText("25 cm");
  expect(await heights.getByRole("row", { name: /^Double/ }).innerText()).not.toBe(before);

  // It is with the server, for whatever they do.
  const id = student.split("/").at(-1) ?? "";
  const measured = `${mirrup.root}/timing?skill=open-cross-double&student=${id}`;
  await page.goto(measured);
  await expect(
    page.getByRole("region", { name: "How high, how fast" }).getByRole("row", { name: /^Double/ }),
  ).toContainText("25 cm");
  // A combo is reckoned with it too: in the braid a double of theirs is as high as it was measured.
  await page.goto(`${mirrup.root}/combos/bench?parts=double-under,double-under`);
  const drawn = page.getByRole("figure", { name: /^The braid of: / });
  await expect(drawn).toContainText("double 18 cm");
  await page.goto(`${mirrup.root}/combos/bench?parts=double-under,double-under&for=${id}`);
  await expect(drawn).toContainText("double 25 cm");
  await page.goto(measured);
  const sheet = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByRole("menuitem", { name: "As CSV" }).click();
  const lines = (await readFile(await (await sheet).path(), "utf8")).split("\r\n");
  expect(lines[0]).toContain("begins after take-off ms");
  expect(lines[1]).toContain("cross with the right arm on top");
  await expectAccessible(page);

  await page.getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText(/25 cm in a double/)).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText(/25 cm in a double/)).toBeVisible();
});

test("the timing of a trick is read on a phone", async ({ page, mirrup }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${mirrup.root}/timing?skill=side-cross-back-quad`);
  await expect(page.getByText("Hands there: front-back cross, left arm behind").first()).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await expectAccessible(page);
});

test("a page of names and a table loads nothing of the floor, the combos or the files", async ({
  page,
  mirrup,
}) => {
  for (const path of ["today", "class"]) {
    const asked: string[] = [];
    const listen = (request: Request) => asked.push(new URL(request.url()).pathname);
    page.on("request", listen);
    await page.goto(`${mirrup.root}/${path}`);
    await settled(page);
    page.off("request", listen);
    expect(asked.filter((one) => one.startsWith("/assets/")).length).toBeGreaterThan(8);
    expect(asked.filter((one) => /\/(floor|combos|skills|sheets|poses|fuse|Midi)\b/.test(one))).toEqual([]);
  }
});

test("what draws figures is loaded where one is shown, and nowhere else", async ({ page, mirrup }) => {
  await page.emulateMedia({ reducedMotion: "no-preference" });
  const asked: string[] = [];
  page.on("request", (request) => asked.push(new URL(request.url()).pathname));
  const drawing = () => asked.filter((path) => /deep-stage|poses|figure-/.test(path));
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("link", { name: /Ines/ })).toBeVisible();
  expect(asked.length).toBeGreaterThan(5);
  expect(drawing()).toEqual([]);
  await page.goto(`${mirrup.root}/skills/cross`);
  await expect(figureOf(page)).toHaveAttribute("data-stage", "deep");
  expect(drawing().length).toBeGreaterThan(1);
});

test("where what draws figures cannot be had, every page goes on without it", async ({ page, mirrup }) => {
  await page.route(/assets\/(figure|poses|telling-still|strip|deep-stage)-/, (route) => route.abort());
  await page.goto(`${mirrup.root}/skills/cross`);
  await expect(page.getByText("The figure cannot be loaded just now.")).toBeVisible();
  await expect(page.getByRole("textbox", { name: "Score" })).toHaveValue("xr o");
  const student = await mirrup.studentPath("Ines Varga-Holt");
  await page.goto(`${student}/floor/cross/left?kind=streak&aim=5`);
  await floorIsOpen(page);
  await press(page, "Space", 2);
  await expect(page.getByText(/clean 2/)).toBeVisible();
});

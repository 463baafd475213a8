/** Retakes docs/screenshots/ from the demo club: `npm run screenshots [-- FOLDER]`. */
import { mkdirSync } from "node:fs";
import { join, resolve } from "node:path";
import { buildIfStale } from "./lib/build.mjs";
import { CHROMIUM_ARGS } from "./lib/chromium-args.mjs";
import { ensureChromium, ensureNodeModules, ROOT } from "./lib/install.mjs";
import { endAll, endOnSignals } from "./lib/processes.mjs";
import { settled } from "./lib/settled.mjs";
import { coachHeaders, throwawayStack } from "./lib/stack.mjs";
import { main } from "./lib/stop.mjs";

const SIZES = {
  tablet: { width: 820, height: 1180 },
  desk: { width: 1280, height: 800 },
  phone: { width: 390, height: 844 },
};

async function press(page, keys, betweenMs = 0) {
  for (const key of keys) {
    await page.keyboard.press(key);
    await page.waitForTimeout(betweenMs);
  }
}

async function signIn(page, who) {
  const data = { email: `${who}@quillhaven.example`, password: "quillhaven demo" };
  await page.request.post("/api/auth/sign-in", { data });
}

/** The plan of today's class, once it is made and kept. */
async function openClass(page, root) {
  await page.goto(`${root}/today`);
  await page
    .getByRole("link", { name: /^(The plan|Plan the class)$/ })
    .first()
    .click();
  await page.getByText(/useful minutes of/).waitFor();
  await page.getByRole("progressbar", { name: "Planning" }).waitFor({ state: "detached" });
}

/** Combos looked at for the student who is on the way with one. */
async function forAmara(page) {
  await page.getByRole("combobox", { name: "For which student" }).click();
  await page.getByRole("option", { name: "Amara Thistle" }).click();
  await page.waitForURL(/for=/);
  // The address is new before the links that carry it on are.
  await page.locator('main a[href*="for="]').first().waitFor();
}

/** One picture a main view: how to come to it from the address of a student. */
const VIEWS = [
  { name: "students", size: "desk", open: (page, _student, root) => page.goto(`${root}/students`) },
  {
    name: "strands",
    size: "desk",
    open: async (page, student) => {
      await page.goto(`${student}?goal=open-cross-double:right`);
    },
  },
  {
    name: "frontier",
    size: "desk",
    open: async (page, student) => {
      await page.goto(`${student}/frontier?skill=cross`);
      await page.getByRole("button", { name: /^Cross: / }).waitFor();
    },
  },
  {
    name: "own-skill",
    size: "desk",
    open: async (page, _student, root) => {
      await page.goto(`${root}/skills/new?score=${encodeURIComponent("sr xr (o xr) o")}`);
      await page.getByRole("textbox", { name: "Name", exact: true }).fill("tannery twist");
      await page.getByText(/^Level 4/).waitFor();
      await page.getByRole("group", { name: "Needs" }).scrollIntoViewIfNeeded();
    },
  },
  {
    name: "placement",
    size: "desk",
    open: async (page, _student, root) => {
      await page.goto(`${root}/students`);
      await page.getByRole("link", { name: /Temi Adewood/ }).click();
      await page.getByRole("link", { name: "Placement" }).click();
      for (const answer of ["Nearly", "Clean", "Clean", "No"]) {
        const buttons = page.getByRole("button", { name: new RegExp(`^${answer}`) });
        await buttons.first().waitFor();
        const title = await page.locator("h2").first().textContent();
        for (let side = 0; side < (await buttons.count()); side += 1) await buttons.nth(side).click();
        await page.waitForFunction((text) => document.querySelector("h2")?.textContent !== text, title);
      }
    },
  },
  {
    name: "class",
    size: "desk",
    open: async (page, _student, root) => {
      await page.goto(`${root}/class`);
      await page.getByRole("table").waitFor();
    },
  },
  {
    name: "today",
    size: "desk",
    open: async (page, _student, root) => {
      await page.goto(`${root}/today`);
      const mark = (name, as) => page.getByRole("group", { name }).getByRole("button", { name: as }).click();
      await mark("Bram Oakhollow", "Here");
      await page.getByRole("link", { name: "Plan the class" }).waitFor();
      await mark("Elif Starling", "Here");
      await mark("Kofi Marrow", "Late");
    },
  },
  {
    name: "class-plan",
    size: "desk",
    open: async (page, _student, root) => {
      await openClass(page, root);
      await page.getByLabel("Helpers").fill("1");
      await page.getByText(/^The last change/).waitFor();
      await page.getByText("Saved", { exact: true }).waitFor();
    },
  },
  {
    name: "hall",
    size: "tablet",
    open: async (page, _student, root) => {
      await openClass(page, root);
      await page.getByRole("link", { name: "Start the lesson" }).click();
      await page.getByRole("button", { name: "Begin with the warm-up" }).click();
      await page.getByRole("button", { name: "Next: turn 1" }).click();
      await page.getByRole("heading", { name: "Turn 1" }).waitFor();
    },
  },
  { name: "session", size: "desk", open: (page, student) => page.goto(`${student}/session?minutes=45`) },
  {
    name: "record",
    size: "desk",
    open: async (page, student) => {
      await page.goto(`${student}/progress`);
      await page.locator("canvas").first().waitFor();
    },
  },
  { name: "report", size: "desk", open: (page, student) => page.goto(`${student}/report?weeks=4`) },
  {
    name: "home",
    size: "phone",
    open: async (page, student) => {
      await page.goto(`${student}/home`);
      await page.getByRole("checkbox", { name: /guardian/ }).check();
      await page.getByRole("button", { name: "Make the link" }).click();
      const link = await page.getByLabel("The link, shown this once").inputValue();
      await page.goto(new URL(link).pathname);
      await page.locator("ol button").first().waitFor();
    },
  },
  {
    name: "floor",
    size: "desk",
    open: async (page, student) => {
      await page.goto(`${student}/floor/cross/left?kind=climb&aim=5`);
      await page.getByRole("button", { name: "Clean" }).waitFor();
      await press(
        page,
        [..."   m      m   ".replaceAll(" ", "c")].map((key) => (key === "c" ? "Space" : "m")),
        450,
      );
    },
  },
  {
    name: "skill-book",
    size: "desk",
    moves: true,
    open: async (page, _student, root) => {
      await page.goto(`${root}/skills/leg-over-double`);
      await page.locator("canvas[data-stage]").waitFor();
    },
  },
  {
    name: "timing",
    size: "desk",
    moves: true,
    open: async (page, student, root) => {
      const id = student.split("/").at(-1);
      await page.goto(`${root}/timing?skill=open-cross-double&score=o+(o+xr)+o&student=${id}`);
      await page.locator("canvas[data-stage]").waitFor();
      await page.getByRole("region", { name: "When the hands move" }).scrollIntoViewIfNeeded();
      await page.evaluate(() => globalThis.document.querySelector("main").scrollBy(0, 420));
    },
  },
  {
    name: "programme",
    size: "desk",
    open: async (page, _student, root) => {
      await page.goto(`${root}/programmes`);
      await page.getByRole("link", { name: "Wagtail" }).click();
      await page.getByRole("link", { name: "Second year" }).click();
      await page.getByRole("table").waitFor();
    },
  },
  {
    name: "first-steps",
    size: "desk",
    as: "owner",
    open: async (page) => {
      const data = { studioName: "Tannery Yard", timeZone: "Europe/London", school: "quick-frontier" };
      const { studioId } = await (await page.request.post("/api/studios", { data })).json();
      await page.goto(`/${studioId}/start`);
      await page.getByLabel("Names, one to a line").fill("Wren Alderby\nOde Marsh\nAnsa Brook");
    },
  },
  {
    name: "combos",
    size: "desk",
    open: async (page, _student, root) => {
      await page.goto(
        `${root}/combos/bench?parts=basic-bounce*2,double-side-swing:right~,cross:right,double-under`,
      );
      await forAmara(page);
      await page.getByText("Who could do it").waitFor();
    },
  },
];

await main(async () => {
  const folder = resolve(ROOT, process.argv[2] ?? "docs/screenshots");
  mkdirSync(folder, { recursive: true });
  endOnSignals(1);
  await ensureNodeModules();
  const executablePath = await ensureChromium();
  await buildIfStale();
  let browser;
  try {
    const { address } = await throwawayStack();
    const { chromium } = await import("@playwright/test");
    browser = await chromium.launch({ executablePath, args: CHROMIUM_ARGS });
    const headers = await coachHeaders(address);
    const root = `/${headers["x-mirrup-studio"]}`;
    const { items } = await (await fetch(`${address}/api/students`, { headers })).json();
    const student = `${root}/students/${items.find((one) => one.name === "Hana Petrivale").id}`;
    for (const { name, size, as = "coach", moves = false, open } of VIEWS) {
      const page = await browser.newPage({
        baseURL: address,
        viewport: SIZES[size],
        reducedMotion: moves ? "no-preference" : "reduce",
      });
      await signIn(page, as);
      await open(page, student, root);
      await settled(page);
      await page.screenshot({ path: join(folder, `${name}.png`) });
      console.log(`${name}.png`);
      await page.close();
    }
  } finally {
    // One that stays open would keep a failed run from ending.
    await browser?.close();
    await endAll();
  }
});

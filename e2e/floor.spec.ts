import type { StudentView } from "@mirrup/contract";
import type { Page } from "@playwright/test";
import { settled } from "../scripts/lib/settled.mjs";
import { expect, floorIsOpen, press, test } from "./fixtures.js";

test("a climb by key and by touch, with undo and a held key", async ({ page, mirrup }) => {
  await page.goto(`${await mirrup.studentPath("Jonas Quist")}/floor/side-swing/left?kind=climb&aim=4`);
  await floorIsOpen(page);
  await page.getByRole("button", { name: "One more" }).click();
  const rule = page.getByLabel("After a miss");
  await rule.selectOption("drop one rung");
  await expect(rule).toHaveValue("drop");
  const counter = page.getByRole("status").filter({ hasText: "Rung" });
  await press(page, "PageDown", 2);
  await expect(counter).toHaveText(/Rung 2 of \d+, 1 done/);
  await page.getByRole("button", { name: /^Miss/ }).click();
  await expect(counter).toHaveText(/Rung 1 of \d+, 0 done/);
  await page.keyboard.press("z");
  await expect(counter).toHaveText(/Rung 2 of \d+, 1 done/);

  // The button that has the focus is not pressed too, and a key that is held counts once.
  await page.getByRole("button", { name: /^Miss/ }).focus();
  await page.keyboard.down("Space");
  await page.keyboard.down("Space");
  await page.keyboard.up("Space");
  await expect(counter).toHaveText(/Rung 3 of \d+, 0 done/);
  await expect(page.getByText("missed 0")).toBeVisible();

  await page.getByRole("button", { name: /^Finish/ }).click();
  await expect(page.getByRole("heading", { name: "3 of 3 clean" })).toBeVisible();
  await page.keyboard.press("Enter");
  await floorIsOpen(page);
  await expect(page.getByRole("button", { name: /^Undo/ })).toBeDisabled();
});

test("a closed tab loses no tap", async ({ page, context, mirrup }) => {
  const path = `${await mirrup.studentPath("Kofi Marrow")}/floor/cross/right?kind=climb&aim=6&onMiss=restart`;
  await page.goto(path);
  await floorIsOpen(page);
  await press(page, "Space", 5);
  await expect(page.getByText("clean 5")).toBeVisible();
  await page.close();
  const again = await context.newPage();
  await again.goto(path);
  await expect(again.getByText(/Goes on from/)).toBeVisible();
  await expect(again.getByText("clean 5")).toBeVisible();
  await again.keyboard.press("m");
  await expect(again.getByText("climb to 6; after a miss: back to rung 1")).toBeVisible();
  await again.getByRole("button", { name: "Start over" }).click();
  await expect(again.getByText("clean 0")).toBeVisible();
});

test("a drill of the ladder, its misses named by key, and the fix that they ask for", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${await mirrup.studentPath("Ruta Lindqvaal")}/floor/cross/right`);
  await floorIsOpen(page);
  await page.getByLabel("Drill", { exact: true }).selectOption({ label: "One, then bounce, 5 tries" });
  await expect(page.getByText(/^Straight into an ordinary bounce\./)).toBeVisible();
  const counter = page.getByRole("status").filter({ hasText: "tries" });
  for (const name of ["1", "1", "1"]) {
    await page.keyboard.press("m");
    await expect(page.getByRole("group", { name: "Why did it miss?" })).toBeVisible();
    await page.keyboard.press(name);
    await expect(page.getByRole("group", { name: "Why did it miss?" })).toBeHidden();
  }
  await page.keyboard.press("Space");
  await expect(counter).toHaveText("1 right of 4 tries, 5 asked");
  await page.keyboard.press("m");
  await expect(page.getByRole("button", { name: /^Stopped/ })).toBeVisible();
  await page.keyboard.press("Enter");
  // With those of earlier sets.
  await expect(page.getByText(/, \d+ times\./)).toBeVisible();
  await expect(page.getByText(/^Say: /)).toBeVisible();
  const reply = await page.request.get(
    `/api/students/${page.url().split("/students/")[1]?.split("/")[0] ?? ""}/sets?subject=cross&side=right`,
    { headers: { "x-mirrup-studio": mirrup.root.slice(1) } },
  );
  const { items } = (await reply.json()) as { items: { drill: object; misses: { fault?: string }[] }[] };
  expect(items[0]?.drill).toMatchObject({ kind: "one-out", count: 5 });
  expect(items[0]?.misses.map((miss) => miss.fault ?? "none")).toHaveLength(4);
  expect(new Set(items[0]?.misses.slice(0, 3).map((miss) => miss.fault)).size).toBe(1);
});

test("a set costs three requests at most, and the page is as it is read anew", async ({ page, mirrup }) => {
  const student = await mirrup.studentPath("Wilder Kestrelby");
  await page.goto(`${student}/floor/basic-bounce/whole?kind=streak&aim=300`);
  await floorIsOpen(page);
  await settled(page);
  const asked: string[] = [];
  page.on("request", (request) => {
    const { pathname } = new URL(request.url());
    if (pathname.startsWith("/api/") && pathname !== "/api/changes") asked.push(pathname);
  });
  await press(page, "Space", 4);
  await page.keyboard.press("Enter");
  await expect(page.getByText(/4 clean, 0 missed/)).toBeVisible();
  await settled(page);
  // A set that lasts tells in a third who counts here.
  const told = asked.filter((path) => path !== "/api/presence");
  expect(told.sort()).toEqual(["/api/sets", expect.stringMatching(/floor$/)]);
  expect(asked.length).toBeLessThanOrEqual(3);
  // What the server made of it stands there one drawing after its answer came.
  await expect(page.getByRole("status").filter({ hasText: "4 clean" })).toContainText("weighted landings");
});

test("the rest after a set is counted down over the pages, and stops nobody", async ({ page, mirrup }) => {
  await page.clock.install();
  const student = await mirrup.studentPath("Caspian Rookley");
  const floor = `${student}/floor/basic-bounce/whole?kind=streak&aim=300`;
  await page.goto(floor);
  await floorIsOpen(page);
  const rest = page.getByRole("timer", { name: "Rest that is left" });
  await expect(rest).toBeHidden();
  await press(page, "Space", 4);
  await page.keyboard.press("Enter");
  await expect(rest).toHaveText(/^0:(30|2\d)$/);
  await page.goto(floor);
  await floorIsOpen(page);
  // The set is over: nothing of it goes on.
  await expect(page.getByText("clean 0")).toBeVisible();
  await expect(page.getByText(/Goes on from/)).toBeHidden();
  await expect(rest).toHaveText(/^0:\d\d$/);
  // Whoever goes on at once is not held up; the clock gives way to the count.
  await press(page, "Space", 1);
  await expect(rest).toBeHidden();
  await page.keyboard.press("z");
  await page.goto(floor);
  await floorIsOpen(page);
  await page.clock.fastForward(31_000);
  await expect(rest).toBeHidden();
});

test("a hold by its clock, and a link that closes its gaps", async ({ page, mirrup }) => {
  const student = await mirrup.studentPath("Jonas Quist");
  await page.clock.install();
  await page.goto(`${student}/floor/basic-bounce/whole?kind=hold&aim=20`);
  await page.getByRole("button", { name: /^Start the clock/ }).click();
  await page.clock.runFor(12_000);
  await expect(page.getByRole("status").filter({ hasText: "seconds left" })).toHaveText("8 seconds left");
  await page.clock.runFor(9000);
  await page.getByRole("button", { name: /^Reached/ }).click();
  await expect(page.getByText("40 clean, 0 missed")).toBeVisible();

  await page.goto(`${student}/floor/side-swing/left?kind=link&aim=2&spacing=2`);
  await floorIsOpen(page);
  await press(page, "Space", 2);
  await expect(page.getByRole("status").filter({ hasText: "tries" })).toContainText("1 bounce between");
  await press(page, "Space", 2);
  await expect(page.getByRole("status").filter({ hasText: "tries" })).toContainText("no bounce between");
  await press(page, "Space", 2);
  await expect(page.getByRole("button", { name: /^Reached/ })).toBeVisible();
});

test("a round for a class: one tap or a number for each, and sets for all", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/class`);
  await page.getByRole("link", { name: "Show team" }).click();
  await expect(page.getByRole("link", { name: "Do a round" }).first()).toBeVisible();
  const group = page.url().split("/class/")[1] ?? "";
  await page.goto(`${mirrup.root}/class/${group}/round/skier`);
  await page.getByRole("button", { name: "Start the clock" }).click();
  const of = (name: string) => page.getByRole("group", { name, exact: true });
  await of("Amara Thistle").getByRole("button", { name: "Made it" }).click();
  await of("Hana Petrivale").getByRole("button", { name: "Nearly" }).click();
  await page.getByLabel("Ines Varga-Holt: in a row").fill("20");
  // The round outlives the page.
  await page.reload();
  await expect(of("Hana Petrivale").getByRole("button", { name: "Nearly" })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await page.getByRole("button", { name: "Finish the round: 3 of 4" }).click();
  await expect(page.getByText("All of them are stored.")).toBeVisible();
  await expect(page.getByText("Cleared: Ines Varga-Holt.")).toBeVisible();
});

/** Takes an early stop back, and waits until the server has heard of it. */
async function takeBack(page: Page): Promise<void> {
  const heard = page.waitForResponse(
    (reply) => reply.request().method() === "DELETE" && reply.url().endsWith("/stop"),
  );
  await page.getByRole("button", { name: "It was pressed by mistake" }).click();
  await floorIsOpen(page);
  await heard;
}

test("pain ends the jumping for today with one tap, and a slip can be taken back", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${await mirrup.studentPath("Dag Ellerby")}/floor/basic-bounce/whole`);
  await floorIsOpen(page);
  await press(page, "Space", 3);
  await page.getByRole("button", { name: "Pain: stop today" }).click();
  await expect(page.getByRole("alert")).toContainText("Jumping ends for Dag Ellerby today");
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeHidden();
  await page.reload();
  // What was jumped until then counts.
  await page.getByRole("button", { name: "1 set not finished" }).click();
  await expect(page.getByText(/^Dag Ellerby, basic bounce: 3 clean, \d/)).toBeVisible();
  const stored = page.waitForResponse((response) => response.url().endsWith("/api/sets") && response.ok());
  await page.getByRole("button", { name: "Finish it as it is" }).click();
  await stored;
  await expect(page.getByText("Nothing waits here; the server has everything.")).toBeVisible();
  await page.getByRole("button", { name: "Close" }).click();
  await expect(page.getByRole("alert")).toContainText("licensed professional");
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("link", { name: /Dag Ellerby/ })).toContainText("No drill today.");
  await page.goBack();
  await takeBack(page);
});

test("pain that was pressed without a network counts on every page, and reaches the server from any", async ({
  page,
  context,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Dag Ellerby");
  await page.goto(`${student}/floor/basic-bounce/whole`);
  await floorIsOpen(page);
  await context.route("**/api/students/*/stop", (route) => route.abort());
  await page.getByRole("button", { name: "Pain: stop today" }).click();
  await expect(page.getByRole("alert")).toContainText("It is kept on this device");
  await page.getByRole("link", { name: "Leave the floor" }).click();
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("link", { name: /Dag Ellerby/ })).toContainText("No drill today.");
  await page.goto(`${student}/floor/basic-bounce/whole`);
  await expect(page.getByRole("alert")).toContainText("Jumping ends for Dag Ellerby today");
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeHidden();
  await context.unroute("**/api/students/*/stop");
  await page.goto(`${mirrup.root}/students`);
  // The server has it, so that every other device learns of it.
  const headers = { "x-mirrup-studio": mirrup.root.slice(1) };
  const path = `/api/students/${student.split("/students/")[1] ?? ""}`;
  await expect(async () => {
    const read = (await (await page.request.get(path, { headers })).json()) as StudentView;
    expect(read.hasStopped).toBe(true);
  }).toPass();
  await page.goto(`${student}/floor/basic-bounce/whole`);
  await takeBack(page);
});

test("a class holds by one clock: who stops is tapped, one slip is taken back, and the rest have held it", async ({
  page,
  mirrup,
}) => {
  await page.clock.install();
  await page.goto(`${mirrup.root}/class`);
  await page.getByRole("link", { name: "Second year" }).click();
  await expect(page).toHaveURL(/class\/.+/);
  await page.goto(`${page.url()}/round/basic-bounce`);
  await page.getByRole("combobox", { name: "Drill" }).selectOption({ label: "Keep going for 30 s" });
  const of = (name: string) => page.getByRole("group", { name, exact: true });
  const rows = page.getByRole("list").getByRole("group");
  await expect(rows).toHaveCount(12);
  await of("Kofi Marrow").getByRole("button", { name: "Not here" }).click();
  await page.getByRole("button", { name: "Start the clock" }).click();
  await page.clock.runFor(8_000);
  await of("Elif Starling").getByRole("button", { name: "Stopped" }).click();
  await of("Noor Tamsin-Vale").getByRole("button", { name: "Stopped" }).click();
  await page.clock.runFor(4_000);
  // The round outlives the page, and its clock goes on.
  await page.reload();
  await expect(page.getByRole("timer", { name: "Left of the round" })).toHaveText(/0:1[5-8]/);
  await of("Hana Petrivale").getByRole("button", { name: "Stopped" }).click();
  await expect(of("Hana Petrivale").getByRole("button", { name: /Stopped at 1[2-5]/ })).toBeVisible();
  await of("Noor Tamsin-Vale")
    .getByRole("button", { name: /Stopped at (8|9|1)/ })
    .click();
  await page.clock.runFor(30_000);
  await expect(page.getByRole("timer", { name: "Left of the round" })).toHaveText("Time");
  const stored = page.waitForRequest(
    (request) => request.method() === "POST" && request.url().endsWith("/sets"),
  );
  await page.getByRole("button", { name: "Finish the round: 11 of 12" }).click();
  const { sets } = (await stored).postDataJSON() as {
    readonly sets: readonly {
      readonly seconds: number;
      readonly misses: readonly object[];
      readonly drill: object;
    }[];
  };
  await expect(page.getByText("All of them are stored.")).toBeVisible();
  expect(sets).toHaveLength(11);
  const early = sets.filter((set) => set.misses.length > 0);
  expect(early).toHaveLength(2);
  for (const set of early) expect(set.seconds).toBeLessThan(16);
  for (const set of sets) expect(set.drill).toMatchObject({ kind: "hold", seconds: 30 });
});

test("a round of tries takes how many were right, and is kept as that drill", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/class/all/round/cross`);
  // A round is kept for whoever counts; who that is, a new device knows a moment after it has opened.
  await settled(page);
  const list = page.getByRole("combobox", { name: "Drill" });
  await list.selectOption({ label: "One, then stop, 5 tries" });
  await expect(page.getByText(/how many were right/)).toBeVisible();
  await page.getByLabel("Hana Petrivale: right").fill("3");
  const stored = page.waitForRequest(
    (request) => request.method() === "POST" && request.url().endsWith("/sets"),
  );
  await page.getByRole("button", { name: /^Finish the round: 1 of/ }).click();
  const { sets } = (await stored).postDataJSON() as { readonly sets: readonly object[] };
  expect(sets).toMatchObject([
    { drill: { kind: "one-stop", count: 5 }, clean: 3, misses: [{ count: 2 }], bestStreak: 1 },
  ]);
  await expect(page.getByText("All of them are stored.")).toBeVisible();
});

test("a miss may be given any fault there is, also one that this skill seldom has", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${await mirrup.studentPath("Ruta Lindqvaal")}/floor/cross/left?kind=streak&aim=9`);
  await floorIsOpen(page);
  await press(page, "Space", 2);
  await page.keyboard.press("m");
  await page.getByLabel("Another reason").selectOption("baulk");
  await expect(page.getByRole("group", { name: "Why did it miss?" })).toBeHidden();
  // The keys belong to the counting again.
  await press(page, "Space", 1);
  await expect(page.getByText("clean 3")).toBeVisible();
  const stored = page.waitForRequest(
    (request) => request.method() === "POST" && request.url().endsWith("/sets"),
  );
  await page.keyboard.press("Enter");
  expect((await stored).postDataJSON()).toMatchObject({
    sets: [{ clean: 3, misses: [{ position: 3, fault: "baulk" }] }],
  });
});

test("a hold that nobody finished is not of the next lesson: nobody has held it since", async ({
  page,
  mirrup,
}) => {
  await page.clock.install();
  await page.goto(`${mirrup.root}/class/all/round/skier`);
  await settled(page);
  await page.getByRole("combobox", { name: "Drill" }).selectOption({ label: "Keep going for 30 s" });
  await page.getByRole("button", { name: "Start the clock" }).click();
  await expect(page.getByRole("button", { name: /^Finish the round: 24 of 24/ })).toBeEnabled();
  await page.reload();
  await expect(page.getByRole("button", { name: /^Finish the round: 24 of 24/ })).toBeEnabled();
  await page.clock.setSystemTime(new Date(Date.now() + 14 * 3_600_000));
  await mirrup.sql("UPDATE presence SET seen_at = seen_at - interval '14 hours'");
  await page.reload();
  await expect(page.getByRole("button", { name: "Start the clock" })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Finish the round: 0 of 24/ })).toBeDisabled();
});

test("a set tells how even it was, and what is noted to it stands on the floor the next time", async ({
  page,
  mirrup,
}) => {
  const floor = `${await mirrup.studentPath("Ruta Lindqvaal")}/floor/side-swing/left?kind=streak&aim=6`;
  await page.goto(floor);
  await floorIsOpen(page);
  for (const pause of [300, 300, 300, 900, 300, 300]) {
    await press(page, "Space", 1);
    await page.waitForTimeout(pause);
  }
  await page.keyboard.press("Enter");
  await expect(page.getByText(/a minute, evenness \d+/)).toBeVisible();
  const note = page.getByLabel("Note to this set");
  // The floor's keys are letters here, and Enter ends the note before it goes on.
  await note.fill("Thumbs up, mmm");
  await note.press("Enter");
  await expect(note).not.toBeFocused();
  await expect(page.getByText(/^Kept\. It stands/)).toBeVisible();
  await page.goto(floor);
  await expect(page.getByText("Thumbs up, mmm")).toBeVisible();
});

test("a note that was written without a network is there once there is one", async ({ page, mirrup }) => {
  const floor = `${await mirrup.studentPath("Kofi Marrow")}/floor/side-swing/right?kind=streak&aim=3`;
  await page.goto(floor);
  await floorIsOpen(page);
  await page.context().setOffline(true);
  await press(page, "Space", 3);
  await page.keyboard.press("Enter");
  await page.getByLabel("Note to this set").fill("First");
  await page.getByLabel("Note to this set").fill("Low and slow");
  // Left at once, before the pause in which it would be kept.
  await page.context().setOffline(false);
  await page.goto(`${mirrup.root}/today`);
  await expect(page.getByRole("button", { name: /still to send/ })).toBeHidden();
  await page.goto(floor);
  await expect(page.getByText("Low and slow")).toBeVisible();
});

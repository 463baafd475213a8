import { randomUUID } from "node:crypto";
import type { Items, LessonView, StudentView } from "@mirrup/contract";
import type { Page } from "@playwright/test";
import { expect, expectAccessible, test } from "./fixtures.js";
import { LONG, PLANNED } from "./planning.js";

/** A lesson of today for all of the demo's students; answers its address and who they are. */
async function lessonOfAll(page: Page, root: string): Promise<readonly [string, readonly StudentView[]]> {
  const headers = { "x-mirrup-studio": root.slice(1) };
  const read = (await (await page.request.get("/api/students", { headers })).json()) as Items<StudentView>;
  const students = read.items.filter((one) => !one.hasStopped);
  const id = randomUUID();
  const lesson = {
    ...{ id, title: "Everybody", day: new Date().toISOString().slice(0, 10), minutes: 60 },
    students: students.map(({ id: studentId }) => ({ studentId, attendance: "expected", places: [] })),
  };
  const made = await page.request.post("/api/lessons", { headers, data: { lessons: [lesson] } });
  expect(made.ok()).toBe(true);
  return [`${root}/lessons/${id}`, students];
}

async function planIsMade(page: Page): Promise<void> {
  await expect(page.getByText(/useful minutes of/)).toBeVisible(PLANNED);
  await expect(page.getByRole("progressbar", { name: "Planning" })).toHaveCount(0, PLANNED);
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
}

test("a class of all, one coach and three ropes: nobody idle, and who comes late is taken in", async ({
  page,
  mirrup,
}) => {
  test.setTimeout(LONG);
  const [path, students] = await lessonOfAll(page, mirrup.root);
  expect(students.length).toBeGreaterThanOrEqual(20);
  await page.goto(`${path}/plan`);
  await planIsMade(page);
  for (const [label, value] of [
    ["Coaches", "1"],
    ["Helpers", "0"],
    ["Ropes", "3"],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByLabel(label, { exact: true }).blur();
  }
  await expect(page.getByText(/^The last change/)).toBeVisible(PLANNED);
  await planIsMade(page);
  // Everybody has a place in every turn, and no turn asks for a second coach.
  const rows = page.getByRole("table", { name: /turns and stations/ }).locator("tbody tr");
  const turns = await rows.count();
  expect(turns).toBeGreaterThan(3);
  for (let turn = 0; turn < turns; turn += 1)
    await expect(rows.nth(turn).locator("ul button")).toHaveCount(students.length);
  await expect(page.getByText(/lacks a coach/)).toHaveCount(0);

  // One is away at first, and comes after the first turn has begun.
  await page.getByRole("link", { name: "Start the lesson" }).click();
  const name = students[3]?.name ?? "";
  const late = page.getByRole("group", { name, exact: true });
  const patched = () =>
    page.waitForResponse(
      (reply) => reply.request().method() === "PATCH" && !reply.url().endsWith("/run") && reply.ok(),
    );
  const without = patched();
  await late.getByRole("button", { name: "Away" }).click();
  await without;
  await page.getByRole("button", { name: "Begin with the warm-up" }).click();
  await page.getByRole("button", { name: "Next: turn 1" }).click();
  await expect(page.locator("main").getByText(name, { exact: true })).toHaveCount(0);
  await page.getByRole("button", { name: "Who is here" }).click();
  const anew = patched();
  await late.getByRole("button", { name: "Late" }).click();
  await anew;
  await page.getByRole("button", { name: "Back to the turn" }).click();
  await page.getByRole("button", { name: "Next: turn 2" }).click();
  await expect(page.locator("main").getByText(name, { exact: true })).toHaveCount(1);
});

test("ropes by length, a helper who may lead, a pair to be kept apart, and who brought a rope", async ({
  page,
  mirrup,
}) => {
  test.setTimeout(LONG);
  const [path, students] = await lessonOfAll(page, mirrup.root);
  await page.goto(`${path}/plan`);
  await planIsMade(page);
  await page.getByLabel("Ropes", { exact: true }).fill("6");
  await page.getByLabel("Ropes", { exact: true }).blur();
  await page.getByRole("button", { name: "Ropes: kinds and lengths" }).click();
  await page.getByRole("combobox", { name: "Kind" }).selectOption("beaded");
  await page.getByLabel(/^Length/).fill("260");
  await page.keyboard.press("Escape");
  await page.getByLabel("Helpers", { exact: true }).fill("1");
  await page.getByLabel("Helpers", { exact: true }).blur();
  await page.getByRole("button", { name: "What helpers may look at" }).click();
  await page.getByRole("checkbox", { name: "Crosses" }).check();
  await expectAccessible(page);
  await page.keyboard.press("Escape");

  const [one, other] = students.map((student) => student.name);
  await page.getByRole("button", { name: /^Pairs/ }).click();
  for (const [label, name = ""] of [
    ["One", one],
    ["The other", other],
  ] as const) {
    await page.getByRole("combobox", { name: label, exact: true }).fill(name);
    await page.getByRole("option", { name, exact: true }).click();
  }
  await page.getByRole("button", { name: "Save the rule" }).click();
  await expect(page.getByText(`${one ?? ""} and ${other ?? ""}: apart`)).toBeVisible();
  await page.keyboard.press("Escape");
  await planIsMade(page);
  const headers = { "x-mirrup-studio": mirrup.root.slice(1) };
  const address = `/api/lessons/${path.split("/lessons/")[1] ?? ""}`;
  const read = async () => (await (await page.request.get(address, { headers })).json()) as LessonView;
  await expect(async () => {
    const { plan, students: all } = await read();
    expect(plan?.asked.helpers).toEqual([{ mayLead: ["crosses"] }]);
    expect(plan?.asked.ropes).toEqual([{ kind: "beaded", lengthMm: 2600, many: 6 }]);
    const stations = [students[0]?.id, students[1]?.id].map((id) =>
      all.find((student) => student.studentId === id)?.places.map((place) => place?.station),
    );
    plan?.rotations.forEach((_, turn) => expect(stations[0]?.[turn]).not.toBe(stations[1]?.[turn]));
  }).toPass(PLANNED);
  await expect(page.getByRole("heading", { name: "The coach’s way, and the ropes" })).toBeVisible();
  await expect(page.getByRole("list", { name: "Ropes in turn 1" })).toContainText("beaded of 260 cm");
  await page.reload();
  await expect(page.getByRole("button", { name: "Pairs: 1" })).toBeVisible();

  // In the hall one brings a rope after all, one of the others breaks, and the coach sees where to be.
  await page.getByRole("link", { name: "Start the lesson" }).click();
  const row = page.getByRole("group", { name: students[2]?.name ?? "", exact: true });
  const own = row.getByRole("button", { name: "Own rope" });
  const had = await own.getAttribute("aria-pressed");
  await own.click();
  await expect(own).not.toHaveAttribute("aria-pressed", had ?? "");
  await page.getByRole("button", { name: "Begin with the warm-up" }).click();
  await page.getByRole("button", { name: "Who is here" }).click();
  const patched = page.waitForResponse(
    (reply) => reply.request().method() === "PATCH" && !reply.url().endsWith("/run") && reply.ok(),
  );
  // The second rope breaks while the first is still on its way to the server.
  const slow = (url: URL) => url.pathname === address;
  await page.route(slow, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  const first = page.waitForRequest((one) => one.method() === "PATCH" && slow(new URL(one.url())));
  await page.getByRole("button", { name: "Ropes left: kinds and lengths" }).click();
  await page.getByLabel("How many").fill("5");
  await first;
  await page.getByLabel("How many").fill("4");
  await patched;
  await expect(async () => {
    expect((await read()).plan?.asked.ropes).toEqual([{ kind: "beaded", lengthMm: 2600, many: 4 }]);
  }).toPass(PLANNED);
  await page.unroute(slow);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Back to the turn" }).click();
  await page.getByRole("button", { name: "Next: turn 1" }).click();
  await expect(page.getByRole("list", { name: "Where the coaches are" })).toContainText(/You: station \d/);
  await expectAccessible(page);
  const { plan, students: all } = await read();
  expect(plan?.asked.ropes).toEqual([{ kind: "beaded", lengthMm: 2600, many: 4 }]);
  expect(all.find((student) => student.studentId === students[2]?.id)?.ownRope).toBe(had !== "true");
});

test("a class that cannot be says why, and comes back", async ({ page, mirrup }) => {
  test.setTimeout(LONG);
  const [path] = await lessonOfAll(page, mirrup.root);
  await page.goto(`${path}/plan`);
  await planIsMade(page);
  const fill = async (label: string, value: string) => {
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByLabel(label, { exact: true }).blur();
  };
  await fill("Floor, width", "2");
  await fill("Floor, length", "3");
  await expect(page.getByRole("alert").getByText(/floor/i).first()).toBeVisible(PLANNED);
  const undo = page.getByRole("button", { name: "Undo" });
  while (await undo.isEnabled()) await undo.click();
  await planIsMade(page);
  await expect(page.getByRole("alert")).toHaveCount(0);
  for (const minutes of ["5", "240"]) {
    await fill("Minutes", minutes);
    await expect(
      page.getByText(/useful minutes of/).or(page.getByRole("alert").getByText(/minutes/)),
    ).toBeVisible(PLANNED);
  }
  await fill("Coaches", "0");
  await fill("Ropes", "0");
  await planIsMade(page);
});

test("marks that were made without a network reach the server from whatever page is open then", async ({
  page,
  context,
  mirrup,
}) => {
  const [path, students] = await lessonOfAll(page, mirrup.root);
  await page.goto(`${path}/plan`);
  await planIsMade(page);
  await page.goto(path);
  const [first, second] = students;
  const mark = (name = "", word = "") =>
    page.getByRole("group", { name, exact: true }).getByRole("button", { name: word }).click();
  await expect(page.getByRole("heading", { name: "Who is here?" })).toBeVisible();
  await context.route("**/run", (route) => route.abort());
  await mark(first?.name, "Late");
  await mark(second?.name, "Away");
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  await context.unroute("**/run");
  const headers = { "x-mirrup-studio": mirrup.root.slice(1) };
  const lesson = `/api/lessons/${path.split("/lessons/")[1] ?? ""}`;
  await expect(async () => {
    const read = (await (await page.request.get(lesson, { headers })).json()) as LessonView;
    const came = new Map(read.students.map((one) => [one.studentId, one.attendance]));
    expect([came.get(first?.id ?? ""), came.get(second?.id ?? "")]).toEqual(["late", "absent"]);
  }).toPass({ timeout: 15_000 });
});

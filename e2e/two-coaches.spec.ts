import type { Items, SetRequest, StudentView } from "@mirrup/contract";
import type { Browser } from "@playwright/test";
import { randomUUID } from "node:crypto";
import { expect, expectAccessible, test } from "./fixtures.js";

/** A lesson of today that stands in its first turn, with two stations of a pair each. */
function lessonOf(students: readonly string[]) {
  const asked = {
    ...{ minutes: 40, turns: null, stations: 2, coaches: 2, helpers: [], floor: null, hardSkill: "late" },
    ...{ bans: [], stationPins: [], seed: 1, missing: [] },
  };
  const stations = [
    { subject: "basic-bounce", watchedBy: "coach" },
    { subject: "side-swing", watchedBy: "coach" },
  ];
  const plan = {
    ...{
      asked,
      warmUpMinutes: 5,
      closeMinutes: 2,
      room: null,
      minutes: 33,
      useful: 6,
      sameForAll: 5,
      most: 9,
    },
    rotations: [{ minutes: 33, stations }],
  };
  const place = (station: number) => ({
    ...{ station, side: station === 0 ? "whole" : "right", drill: { kind: "streak", count: 20 } },
    ...{ use: "keep", chance: 0.9, reason: null, pinned: false },
  });
  return {
    ...{
      id: randomUUID(),
      title: "Two coaches",
      day: new Date().toISOString().slice(0, 10),
      minutes: 40,
      plan,
    },
    students: students.map((studentId, at) => ({
      ...{ studentId, attendance: "present", places: [place(at < 2 ? 0 : 1)] },
    })),
  };
}

async function tablet(browser: Browser, address: string, email: string) {
  const context = await browser.newContext({ baseURL: address, viewport: { width: 820, height: 1180 } });
  const data = { email, password: "quillhaven demo" };
  expect((await context.request.post("/api/auth/sign-in", { data })).ok()).toBe(true);
  return { context, page: await context.newPage() };
}

/** Told within two seconds where nothing else is busy; far below the half minute after which a page looks by itself. */
const SOON = { timeout: 10_000 };

test("two coaches in one hall see each other, and one takes over with all that was counted", async ({
  browser,
  mirrup,
}) => {
  const { address } = mirrup.stack;
  const bram = await tablet(browser, address, "coach@quillhaven.example");
  const orla = await tablet(browser, address, "owner@quillhaven.example");
  const headers = { "x-mirrup-studio": mirrup.root.slice(1) };
  const reply = await orla.context.request.get("/api/students", { headers });
  const free = ((await reply.json()) as Items<StudentView>).items.filter((one) => !one.hasStopped);
  const [first, second, third, fourth] = free;
  if (first === undefined || second === undefined || third === undefined || fourth === undefined)
    throw new Error("The demo has fewer than four students.");
  const lesson = lessonOf([first.id, second.id, third.id, fourth.id]);
  const made = await orla.context.request.post("/api/lessons", { headers, data: { lessons: [lesson] } });
  expect([made.status(), made.ok() ? "" : await made.text()]).toEqual([200, ""]);
  const run = { progress: { step: 1, startedAt: new Date().toISOString(), minutes: 33, skipped: [] } };
  const begun = await orla.context.request.patch(`/api/lessons/${lesson.id}/run`, { headers, data: run });
  expect([begun.status(), begun.ok() ? "" : await begun.text()]).toEqual([200, ""]);

  const begunAt = new Date().toISOString();
  const hall = `${mirrup.root}/lessons/${lesson.id}`;
  await bram.page.goto(hall);
  await orla.page.goto(hall);
  await bram.page.getByRole("link", { name: "Count here" }).first().click();
  await orla.page.getByRole("link", { name: "Count here" }).nth(1).click();
  const [brams, orlas] = [bram.page, orla.page];
  await brams.getByRole("group", { name: first.name }).getByRole("button", { name: "Made it" }).click();
  await orlas.getByRole("group", { name: third.name }).getByRole("button", { name: "Nearly" }).click();

  // Each sees at the other's station who is there, and nothing about their own.
  await orlas.getByRole("link", { name: "Leave the floor" }).click();
  await expect(orlas.getByText(/^Bram Okonjo-Vale is counting here, since/)).toBeVisible(SOON);
  await expect(orlas.getByText(/^(Orla|You)/)).toHaveCount(0);

  // At Bram's station Orla counts nothing until she takes over; then his answers are there.
  await orlas.getByRole("link", { name: "Count here" }).first().click();
  await expect(orlas.getByText(/^Bram Okonjo-Vale is counting here/)).toBeVisible();
  await expect(orlas.getByRole("group", { name: first.name })).toHaveCount(0);
  await expectAccessible(orlas);
  await orlas.getByRole("button", { name: "Take over" }).click();
  const answer = (name: string) =>
    orlas.getByRole("group", { name }).getByRole("button", { name: "Made it" });
  await expect(answer(first.name)).toHaveAttribute("aria-pressed", "true");
  await expect(brams.getByText(/^Orla Winterset is counting here/)).toBeVisible(SOON);
  await expect(brams.getByRole("button", { name: "Made it" })).toHaveCount(0);

  // Loaded anew she still has it; then Bram takes it back, with what was counted meanwhile.
  const told = orlas.waitForResponse(
    (one) => one.url().endsWith("/api/presence") && (one.request().postData() ?? "").includes(second.id),
  );
  await answer(second.name).click();
  await told;
  await expect(orlas.getByRole("button", { name: "Finish the round: 2 of 2" })).toBeVisible();
  await orlas.reload();
  await expect(answer(second.name)).toHaveAttribute("aria-pressed", "true");
  await brams.getByRole("button", { name: "Take over" }).click();
  await expect(brams.getByRole("button", { name: "Finish the round: 2 of 2" })).toBeEnabled(SOON);
  const stored = brams.waitForResponse((one) => one.url().endsWith("/api/sets"));
  await brams.getByRole("button", { name: /^Finish the round/ }).click();
  expect((await stored).status()).toBe(200);

  // It is over for both: nothing of it is left to finish a second time.
  await brams.getByRole("link", { name: "Leave the floor" }).click();
  await expect(orlas.getByRole("button", { name: "Finish the round: 0 of 2" })).toBeVisible(SOON);
  for (const student of [first, second]) {
    // A connection that was not used for a while is closed by the server, and taken anew.
    await expect(async () => {
      const path = `/api/students/${student.id}/sets?subject=basic-bounce&side=whole`;
      const { items } = (await (
        await orla.context.request.get(path, { headers })
      ).json()) as Items<SetRequest>;
      expect(items.filter((one) => one.countedBy === "hand" && one.at >= begunAt)).toHaveLength(1);
    }).toPass();
  }
  await bram.context.close();
  await orla.context.close();
});

test("at a station a pair is counted on one large button, and each one's number is kept", async ({
  browser,
  mirrup,
}) => {
  const { context, page } = await tablet(browser, mirrup.stack.address, "coach@quillhaven.example");
  const headers = { "x-mirrup-studio": mirrup.root.slice(1) };
  const reply = await context.request.get("/api/students", { headers });
  const free = ((await reply.json()) as Items<StudentView>).items.filter((one) => !one.hasStopped);
  const four = free.slice(4, 8);
  const lesson = lessonOf(four.map((one) => one.id));
  await context.request.post("/api/lessons", { headers, data: { lessons: [lesson] } });
  await page.goto(`${mirrup.root}/lessons/${lesson.id}/turns/1/stations/1`);
  await page.getByRole("button", { name: "Count by tapping, one button a pair" }).click();
  const [first, second] = four.map((one) => one.name);
  const pair = page.getByRole("group", { name: new RegExp(`${first}.*${second}|${second}.*${first}`) });
  const count = pair.getByRole("button").first();
  for (let tap = 0; tap < 4; tap += 1) await count.click();
  await pair.getByRole("button", { name: "One less" }).click();
  await expect(pair.getByRole("status")).toHaveText("3");
  // One way at a time: nobody is asked by name as well.
  await expect(page.getByRole("button", { name: "Made it" })).toHaveCount(0);
  await pair.getByRole("button", { name: "Missed: change" }).click();
  await expect(pair.getByRole("status")).toHaveText("0");
  await expect(pair).toContainText(/: 3/);
  await count.click();
  await expectAccessible(page);
  const stored = page.waitForResponse((one) => one.url().endsWith("/api/sets"));
  await page.getByRole("button", { name: "Finish the round: 2 of 2" }).click();
  const { sets } = JSON.parse((await stored).request().postData() ?? "{}") as { sets: SetRequest[] };
  expect(sets.map((one) => one.clean).sort()).toEqual([1, 3]);
  await context.close();
});

test("a class round that somebody counts can be counted apart from theirs, or taken over", async ({
  browser,
  mirrup,
}) => {
  const bram = await tablet(browser, mirrup.stack.address, "coach@quillhaven.example");
  const orla = await tablet(browser, mirrup.stack.address, "owner@quillhaven.example");
  const address = `${mirrup.root}/class/all/round/skier`;
  await bram.page.goto(address);
  await bram.page.getByRole("button", { name: "Made it" }).first().click();
  await expect(bram.page.getByRole("button", { name: /^Finish the round: 1 of/ })).toBeEnabled();
  await orla.page.goto(address);
  await expect(orla.page.getByText(/^Bram Okonjo-Vale is counting here/)).toBeVisible(SOON);
  await orla.page.getByRole("button", { name: "Count another group" }).click();
  await expect(orla.page.getByRole("button", { name: /^Finish the round: 0 of/ })).toBeVisible();
  await orla.page.getByRole("button", { name: "Nearly" }).nth(1).click();
  await expect(orla.page.getByRole("button", { name: /^Finish the round: 1 of/ })).toBeEnabled();
  // Loaded anew she goes on with hers, and neither takes anything from the other.
  await orla.page.reload();
  await expect(orla.page.getByRole("button", { name: /^Finish the round: 1 of/ })).toBeEnabled();
  await expect(bram.page.getByRole("button", { name: /^Finish the round: 1 of/ })).toBeEnabled();
  await expect(bram.page.getByText(/is counting here/)).toHaveCount(0);
  await bram.context.close();
  await orla.context.close();
});

test("a round is taken over without a network too, and with one the other hears of it", async ({
  browser,
  mirrup,
}) => {
  const bram = await tablet(browser, mirrup.stack.address, "coach@quillhaven.example");
  const orla = await tablet(browser, mirrup.stack.address, "owner@quillhaven.example");
  const address = `${mirrup.root}/class/all/round/bell`;
  await bram.page.goto(address);
  const told = bram.page.waitForResponse(
    (one) => one.url().endsWith("/api/presence") && (one.request().postData() ?? "").includes("made-it"),
  );
  await bram.page.getByRole("button", { name: "Made it" }).first().click();
  await told;
  await orla.page.goto(address);
  await expect(orla.page.getByText(/^Bram Okonjo-Vale is counting here/)).toBeVisible(SOON);
  await orla.context.setOffline(true);
  await orla.page.getByRole("button", { name: "Take over" }).click();
  // Nobody waits for a network to count.
  await orla.page.getByRole("button", { name: "Nearly" }).nth(1).click();
  await expect(orla.page.getByRole("button", { name: /^Finish the round: 1 of/ })).toBeEnabled();
  await orla.context.setOffline(false);
  // Said again with the next beat; what Bram had counted comes along.
  await expect(orla.page.getByRole("button", { name: /^Finish the round: 2 of/ })).toBeEnabled({
    timeout: 40_000,
  });
  await expect(bram.page.getByText(/^Orla Winterset is counting here/)).toBeVisible(SOON);
  await bram.context.close();
  await orla.context.close();
});

import type { Items, SetView, StandingItem, StudentView } from "@mirrup/contract";
import type { Page } from "@playwright/test";
import { expect, expectAccessible, test } from "./fixtures.js";
import { throwawayStack } from "../scripts/lib/stack.mjs";

test.use({ signedIn: false });

interface Known {
  /** Everybody's standings but for the chance, and their last sets, by name. */
  readonly record: Readonly<Record<string, unknown>>;
  /** It fades from second to second. */
  readonly chances: readonly number[];
}

/** What is known of everybody in the studio whose pages are open. */
async function knownOf(page: Page): Promise<Known> {
  const studio = new URL(page.url()).pathname.split("/")[1] ?? "";
  const get = async <T>(path: string): Promise<readonly T[]> => {
    const reply = await page.request.get(new URL(`/api${path}`, page.url()).href, {
      headers: { "x-mirrup-studio": studio },
    });
    expect([path, reply.status()]).toEqual([path, 200]);
    return ((await reply.json()) as Items<T>).items;
  };
  const students = await get<StudentView>("/students");
  const known = await Promise.all(
    students.map(async ({ id, name }) => {
      const standings = await get<StandingItem>(`/students/${id}/standings`);
      return { name, standings, sets: await get<SetView>(`/students/${id}/log?kind=set`) };
    }),
  );
  const plain = ({ cleanChance: _fades, ...standing }: StandingItem) => standing;
  return {
    record: Object.fromEntries(
      known.map(({ name, standings, sets }) => [name, { standings: standings.map(plain), sets }]),
    ),
    chances: known.flatMap(({ standings }) => standings.map(({ cleanChance }) => cleanChance)),
  };
}

function expectSame(now: Known, before: Known): void {
  expect(now.record).toEqual(before.record);
  expect(now.chances).toHaveLength(before.chances.length);
  now.chances.forEach((chance, place) => expect(chance).toBeCloseTo(before.chances[place] ?? -1, 3));
}

async function save(page: Page): Promise<{ readonly name: string; readonly path: string }> {
  await page.getByRole("link", { name: "Studio", exact: true }).click();
  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save the studio" }).click();
  const saved = await waiting;
  return { name: saved.suggestedFilename(), path: await saved.path() };
}

async function read(page: Page, file: string | { name: string; mimeType: string; buffer: Buffer }) {
  await page.getByRole("link", { name: "Studio", exact: true }).click();
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Read a saved studio" }).click();
  await (await chooser).setFiles(file);
}

test("a studio goes from one Mirrup to an empty one and back, and everybody stands as they stood", async ({
  page,
  browser,
}) => {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill("owner@quillhaven.example");
  await page.getByRole("textbox", { name: "Password" }).fill("quillhaven demo");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page.getByText("Quillhaven Rope Hall")).toBeVisible();
  const before = await knownOf(page);
  expect(Object.keys(before.record)).toHaveLength(24);
  const first = await save(page);
  expect(first.name).toBe("quillhaven-rope-hall.tar.gz");

  // Another machine, on which nobody has set up anything.
  const { address } = await throwawayStack({ demo: false });
  const there = await (await browser.newContext({ baseURL: address })).newPage();
  await there.goto("/");
  await there.getByLabel("Name of the studio").fill("Empty Barn");
  await there.getByLabel("Your name").fill("Ansa Brook");
  await there.getByLabel("Your e-mail").fill("ansa@barn.example");
  await there.getByRole("textbox", { name: "A password" }).fill("skipping all day");
  await there.getByRole("button", { name: "Set up" }).click();
  await expect(there.getByRole("heading", { name: "First steps at Empty Barn" })).toBeVisible();
  await read(there, {
    name: "broken.tar.gz",
    mimeType: "application/gzip",
    buffer: Buffer.from("no archive"),
  });
  await expect(there.getByRole("alert")).toBeVisible();
  expect((await knownOf(there)).record).toEqual({});
  await read(there, first.path);
  await expect(there.getByText(/^Read: 24 students with [\d,]+ sets\.$/)).toBeVisible({ timeout: 60_000 });
  expectSame(await knownOf(there), before);
  await expectAccessible(there);
  // A second time there is something already.
  await read(there, first.path);
  await expect(there.getByRole("alert")).toBeVisible();
  const second = await save(there);

  // And back, into a new studio beside the first.
  await page.getByRole("button", { name: "Make another studio" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Name of the studio").fill("Come back");
  await dialog.getByRole("button", { name: "Make the studio" }).click();
  await expect(page.getByRole("heading", { name: "Come back" })).toBeVisible();
  await read(page, second.path);
  await expect(page.getByText(/^Read: 24 students/)).toBeVisible({ timeout: 60_000 });
  expectSame(await knownOf(page), before);
  await there.context().close();
});

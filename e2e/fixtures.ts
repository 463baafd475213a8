import { AxeBuilder } from "@axe-core/playwright";
import { test as base, expect, type Page } from "@playwright/test";
import pg from "pg";
import { STUDIO_HEADER, type Items, type SessionView, type StudentView } from "@mirrup/contract";
import { endAll } from "../scripts/lib/processes.mjs";
import { throwawayStack, type ThrowawayStack } from "../scripts/lib/stack.mjs";

interface Mirrup {
  readonly stack: ThrowawayStack;
  /** Answers when everything is as at first, unless a test of the same file was the last one here. */
  readonly renewFor: (file: string) => Promise<void>;
  /** The path of the demo club. */
  readonly root: string;
  /** The path of a demo student's strands. */
  readonly studentPath: (name: string) => Promise<string>;
  /** Runs SQL as the owner of the schema. */
  readonly sql: (text: string, values?: readonly unknown[]) => Promise<void>;
}

interface Options {
  /** Whether the browser is signed in as the demo club's coach. */
  readonly signedIn: boolean;
}

/** Signs in as the demo club's coach with plain requests. */
async function asCoach(address: string) {
  const reply = await fetch(`${address}/api/auth/demo`, { method: "POST" });
  const { memberships } = (await reply.json()) as SessionView;
  const studioId = memberships[0]?.studioId ?? "";
  const cookie = reply.headers.getSetCookie()[0]?.split(";")[0] ?? "";
  return { studioId, headers: { cookie, [STUDIO_HEADER]: studioId } };
}

export const test = base.extend<{ page: Page; ownData: undefined } & Options, { mirrup: Mirrup }>({
  signedIn: [true, { option: true }],
  mirrup: [
    async ({}, use) => {
      const stack = await throwawayStack();
      let coach = await asCoach(stack.address);
      const root = `/${coach.studioId}`;
      let usedBy: string | undefined;
      await use({
        stack,
        renewFor: async (file) => {
          if (usedBy !== undefined && usedBy !== file) {
            await stack.renew();
            coach = await asCoach(stack.address);
          }
          usedBy = file;
        },
        root,
        studentPath: async (name) => {
          let students: readonly StudentView[] = [];
          // As a page does, it asks again where the server has too much to do.
          await expect(async () => {
            const reply = await fetch(`${stack.address}/api/students`, { headers: coach.headers });
            expect(reply.status).toBe(200);
            students = ((await reply.json()) as Items<StudentView>).items;
          }).toPass({ timeout: 20_000 });
          return `${root}/students/${students.find((student) => student.name === name)?.id ?? name}`;
        },
        sql: async (text, values = []) => {
          const client = new pg.Client({ connectionString: stack.postgres.adminUrl });
          await client.connect();
          await client.query(text, [...values]).finally(() => client.end());
        },
      });
      await endAll();
    },
    { scope: "worker" },
  ],
  // What one file does to a student is nothing to another.
  ownData: [
    async ({ mirrup }, use, { file }) => {
      await mirrup.renewFor(file);
      await use(undefined);
    },
    { auto: true },
  ],
  baseURL: async ({ mirrup }, use) => use(mirrup.stack.address),
  page: async ({ page, signedIn }, use) => {
    const faults: string[] = [];
    page.on("pageerror", (error) => faults.push(error.message));
    if (signedIn) await page.request.post("/api/auth/demo");
    await use(page);
    expect(faults).toEqual([]);
  },
});

export { expect };

export async function press(page: Page, key: string, times: number): Promise<void> {
  for (let time = 0; time < times; time += 1) await page.keyboard.press(key);
}

/** Waits until the floor takes taps. */
export async function floorIsOpen(page: Page): Promise<void> {
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeEnabled();
}

const RULES = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];

async function expectNothingOf(page: Page, axe: AxeBuilder): Promise<void> {
  const { violations } = await axe.analyze();
  const broken = violations.map(({ id, nodes }) => [id, nodes.map((node) => node.html)]);
  expect([new URL(page.url()).pathname, broken]).toEqual([new URL(page.url()).pathname, []]);
}

/** Fails where the page breaks a rule of WCAG 2.2 AA that can be checked by machine; names page, rule and element. */
export async function expectAccessible(page: Page): Promise<void> {
  await expectNothingOf(page, new AxeBuilder({ page }).withTags(RULES));
}

/** Fails where some text of the page is too faint for its ground. */
export async function expectLegible(page: Page): Promise<void> {
  await expectNothingOf(page, new AxeBuilder({ page }).withRules(["color-contrast"]));
}

import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { MailView } from "@mirrup/contract";
import type { AddressInfo } from "node:net";
import { SMTPServer } from "smtp-server";
import { startTestApp, type TestApp } from "../testing/test-app.js";
import { Forgetting } from "./forgetting.js";
import { PostOffice } from "./post-office.js";
import { Seal } from "./seal.js";

interface Taken {
  readonly to: readonly string[];
  readonly raw: string;
}

/** A mail server on loopback, which can be told to refuse. */
async function mailServer() {
  const taken: Taken[] = [];
  const moods = { refuses: false };
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ["STARTTLS"],
    onRcptTo: (_address, _session, done) =>
      done(moods.refuses ? Object.assign(new Error("Mailbox full"), { responseCode: 452 }) : null),
    onData: (stream, session, done) => {
      const parts: Buffer[] = [];
      stream.on("data", (part: Buffer) => parts.push(part));
      stream.on("end", () => {
        const to = session.envelope.rcptTo.map(({ address }) => address);
        taken.push({ to, raw: Buffer.concat(parts).toString("utf8") });
        done();
      });
    },
  });
  await new Promise<void>((resolve) => smtp.listen(0, "127.0.0.1", resolve));
  const { port } = smtp.server.address() as AddressInfo;
  const close = () => new Promise<void>((resolve) => smtp.close(resolve));
  return { taken, moods, url: `smtp://127.0.0.1:${port}`, close };
}

const MINUTE = 60_000;
let post: Awaited<ReturnType<typeof mailServer>>;
let server: TestApp;

beforeAll(async () => {
  post = await mailServer();
  server = await startTestApp({ smtp: { url: post.url, from: "Mirrup <mirrup@hall.example>" } });
});
afterAll(async () => {
  await server.close();
  await post.close();
});

const office = () => server.app.get(PostOffice);
const invite = (email: string) => server.post("/api/people/invitations", { email, role: "viewer" });
async function letterTo(address: string): Promise<MailView | undefined> {
  const { body } = await server.get("/api/mail");
  return (body as { items: MailView[] }).items.find(({ to }) => to === address);
}
const takenFor = (address: string) => post.taken.filter(({ to }) => to.includes(address));

async function until(holds: () => boolean): Promise<void> {
  while (!holds()) await new Promise((resolve) => setTimeout(resolve, 10));
}

describe("a letter, where a mail server is set", () => {
  it("leaves once, with its link, and leaves nothing of it behind", async () => {
    await invite("first@hall.example");
    await office().sendAll(new Date());
    await office().sendAll(new Date());
    const [letter] = takenFor("first@hall.example");
    expect(takenFor("first@hall.example")).toHaveLength(1);
    expect(letter?.raw).toContain("From: Mirrup <mirrup@hall.example>");
    expect(letter?.raw).toMatch(/\/join#/);
    expect(await letterTo("first@hall.example")).toMatchObject({ state: "sent", text: null, trouble: null });
  });

  it("waits while the server refuses it, is tried later and later, and is given back at last", async () => {
    post.moods.refuses = true;
    await invite("full@hall.example");
    const begun = Date.now();
    await office().sendAll(new Date(begun));
    expect(await letterTo("full@hall.example")).toMatchObject({
      state: "waiting",
      trouble: expect.stringContaining("Mailbox full") as unknown,
    });
    for (const minutes of [1, 6, 36, 156, 876])
      await office().sendAll(new Date(begun + minutes * MINUTE + 5000));
    const failed = await letterTo("full@hall.example");
    expect(failed).toMatchObject({ state: "failed" });
    // Whoever invited them can still hand it on.
    expect(failed?.text).toMatch(/\/join#/);
    post.moods.refuses = false;
    await office().sendAll(new Date(begun + 3 * 24 * 60 * MINUTE));
    expect(takenFor("full@hall.example")).toEqual([]);
  });

  it("is sent after a restart, if it waited", async () => {
    post.moods.refuses = true;
    await invite("later@hall.example");
    await office().sendAll(new Date());
    post.moods.refuses = false;
    const line = { send: () => Promise.reject(new Error("not this one")), close: () => undefined };
    const closed = new PostOffice(server.database, server.app.get(Seal), line);
    await closed.onModuleDestroy();
    await closed.sendAll(new Date(Date.now() + 2 * MINUTE));
    expect(takenFor("later@hall.example")).toEqual([]);
    await office().sendAll(new Date(Date.now() + 2 * MINUTE));
    await until(() => takenFor("later@hall.example").length === 1);
  });

  it("is sent by one of two servers, however both look for it at once", async () => {
    const emails = Array.from({ length: 6 }, (_, place) => `both${place}@hall.example`);
    for (const email of emails) await invite(email);
    await Promise.all([office().sendAll(new Date()), office().sendAll(new Date())]);
    // Its own rounds go on meanwhile, and may hold one of them still.
    await until(() => emails.every((email) => takenFor(email).length > 0));
    expect(emails.map((email) => takenFor(email).length)).toEqual(emails.map(() => 1));
  });
});

describe("what letters say", () => {
  it("lies sealed in the database, and opens with the server's secret alone", async () => {
    post.moods.refuses = true;
    await invite("sealed@hall.example");
    const [row] = await server.database.query<{ body: string }[]>(
      "SELECT body FROM mail WHERE recipient = 'sealed@hall.example'",
    );
    expect(row?.body).not.toMatch(/join|#/);
    expect((await letterTo("sealed@hall.example"))?.text).toMatch(/\/join#/);
    expect(new Seal("another secret").open(row?.body ?? "")).toBeNull();
    const damaged = `${row?.body.slice(0, -8) ?? ""}AAAAAAA=`;
    expect(server.app.get(Seal).open(damaged)).toBeNull();
    post.moods.refuses = false;
  });

  it("is forgotten with the links that nobody can use any more", async () => {
    post.moods.refuses = true;
    await invite("forgotten@hall.example");
    const days = (count: number) => new Date(Date.now() + count * 24 * 60 * MINUTE);
    const links = () =>
      server.database.query<object[]>("SELECT 1 FROM one_time_link WHERE email = 'forgotten@hall.example'");
    await server.app.get(Forgetting).forget(days(6));
    expect(await links()).toHaveLength(1);
    expect((await letterTo("forgotten@hall.example"))?.text).toMatch(/#/);
    await server.app.get(Forgetting).forget(days(8));
    expect(await links()).toEqual([]);
    expect(await letterTo("forgotten@hall.example")).toMatchObject({ text: null, state: "failed" });
    post.moods.refuses = false;
  });
});

import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { ChangesReply, Items, PresenceReply, PresenceRequest, PresenceView } from "@mirrup/contract";
import { v7 as uuid } from "uuid";
import { Forgetting } from "../mail/forgetting.js";
import type { Client } from "../testing/client.js";
import { startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let ana: Client;
let ben: Client;

beforeAll(async () => {
  server = await startTestApp();
  ana = await server.addPerson(server.studioId, "coach");
  ben = await server.addPerson(server.studioId, "coach");
});
afterAll(() => server.close());

const round = (wren: number, id = uuid()) => ({
  ...{ id, side: "left", drill: { kind: "streak", count: 10 }, startedAt: new Date().toISOString() },
  ...{ heldFrom: null, answers: { [uuid()]: wren, [uuid()]: "made-it" }, away: [uuid()] },
});
async function say(client: Client, asked: Partial<PresenceRequest> | object): Promise<PresenceReply> {
  const usual = { place: "station 1", turn: null, takesOver: false, round: null };
  const { status, body } = await client.post("/api/presence", { ...usual, ...asked });
  expect(status).toBe(200);
  return body as PresenceReply;
}
const leave = (client: Client, left: object) => client.ask("DELETE", "/api/presence", left);
const list = async (client = server.owner) =>
  ((await client.get("/api/presence")).body as Items<PresenceView>).items;
const number = async () => ((await ana.get("/api/changes")).body as ChangesReply).number;

describe("who counts where", () => {
  it("is seen by everybody of the studio and by nobody else, until they go", async () => {
    const tab = uuid();
    const { holder, isYours } = await say(ana, { place: "station 7", tab });
    expect(isYours).toBe(true);
    expect(await list()).toContainEqual(holder);
    const other = await server.addPerson(await server.addStudio("Other Hall"), "owner");
    expect(await list(other)).toEqual([]);
    expect((await say(other, { place: "station 7", tab: uuid() })).isYours).toBe(true);
    expect((await leave(ana, { place: "station 7", tab, isFinished: false })).status).toBe(200);
    expect(await list()).not.toContainEqual(expect.objectContaining({ place: "station 7" }));
  });

  it("goes over in one request, with all that was counted, and comes back the same way", async () => {
    const [tabs, counted] = [{ ana: uuid(), ben: uuid() }, round(3)];
    const first = await say(ana, { tab: tabs.ana });
    await say(ana, { tab: tabs.ana, turn: first.turn, round: counted });
    const refused = await say(ben, { tab: tabs.ben });
    expect(refused).toMatchObject({ isYours: false, round: null, holder: { tab: tabs.ana } });
    const taken = await say(ben, { tab: tabs.ben, takesOver: true });
    expect(taken).toMatchObject({ isYours: true, round: counted });
    const late = await say(ana, { tab: tabs.ana, turn: first.turn, round: round(9) });
    expect(late).toMatchObject({ isYours: false, holder: { tab: tabs.ben } });
    const more = round(4, counted.id);
    await say(ben, { tab: tabs.ben, turn: taken.turn, round: more });
    expect((await say(ana, { tab: tabs.ana, takesOver: true })).round).toEqual(more);
  });

  it("is one device's, however many ask at once", async () => {
    // Each at a place where nobody has ever been, so that there is nothing yet to be held.
    for (const place of Array.from({ length: 12 }, (_, rush) => `rush ${rush}`)) {
      const replies = await Promise.all(
        Array.from({ length: 6 }, (_, who) => say(who % 2 ? ana : ben, { place, tab: uuid() })),
      );
      expect(replies.filter((reply) => reply.isYours)).toHaveLength(1);
      expect(new Set(replies.map((reply) => reply.holder.tab)).size).toBe(1);
    }
  });

  it("is told to whoever looks on when it changes, and not each time it is said again", async () => {
    const tab = uuid();
    const before = await number();
    const { turn } = await say(ana, { place: "quiet", tab });
    for (const wren of [1, 2, 3]) await say(ana, { place: "quiet", tab, turn, round: round(wren) });
    expect(await number()).toBe(before + 1);
    await say(ben, { place: "quiet", tab: uuid(), takesOver: true });
    expect(await number()).toBe(before + 2);
  });

  it("forgets a student who is deleted, and keeps what was counted of the others", async () => {
    const [wren, linnet] = [await server.addStudent("Wren Alder"), await server.addStudent("Linnet Ash")];
    const tab = uuid();
    const { turn } = await say(ana, { place: "station 9", tab });
    const counted = { ...round(1), answers: { [wren]: 3, [linnet]: 4 }, away: [wren] };
    await say(ana, { place: "station 9", tab, turn, round: counted });
    await say(ana, { place: `floor ${wren} cross left`, tab: uuid() });
    expect((await server.owner.ask("DELETE", `/api/students/${wren}`, {})).status).toBe(200);
    expect(JSON.stringify(await list())).not.toContain(wren);
    const taken = await say(ben, { place: "station 9", tab: uuid(), takesOver: true });
    expect(taken.round).toMatchObject({ answers: { [linnet]: 4 }, away: [] });
    expect(JSON.stringify(taken)).not.toContain(wren);
  });

  it("is forgotten after a day", async () => {
    await server.app.get(Forgetting).forget(new Date(Date.now() + 25 * 3_600_000));
    expect(await list()).toEqual([]);
  });

  it("takes no round that is none, and stores nothing of it", async () => {
    const tab = uuid();
    const { turn } = await say(ana, { place: "hostile", tab });
    const bad = [
      { ...round(1), answers: { nobody: 3 } },
      { ...round(1), answers: Object.fromEntries(Array.from({ length: 501 }, () => [uuid(), 1])) },
      { ...round(1), drill: { kind: "dance" } },
      { ...round(1), startedAt: "yesterday" },
    ];
    for (const one of bad) {
      const asked = { place: "hostile", tab, turn, takesOver: false, round: one };
      expect((await ana.post("/api/presence", asked)).status).toBe(400);
    }
    expect(await say(ben, { place: "hostile", tab: uuid(), takesOver: true })).toMatchObject({ round: null });
  });
});

import { CATALOGUE } from "@mirrup/catalogue";
import type { ComboLinkView, ComboStandingItem, ComboView, NewCombo, SetRequest } from "@mirrup/contract";
import { comboKey, linkKey, scoreOf } from "@mirrup/core";
import { partsOfScore, type ComboPart } from "@mirrup/core/combos";
import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { v7 as uuid } from "uuid";
import type { Client } from "../testing/client.js";
import { comboOf, decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let coach: Client;
let student: string;

beforeAll(async () => {
  server = await startTestApp();
  coach = await server.addPerson(server.studioId, "coach");
  student = await server.addStudent("Wren Alder");
});
afterAll(() => server.close());

const parts = (text: string) => partsOfScore(CATALOGUE, scoreOf(text));
const keep = (...combos: readonly NewCombo[]) => coach.post("/api/combos", { combos });
async function kept(changes: Partial<NewCombo> = {}): Promise<ComboView> {
  const { body } = await keep(comboOf(changes));
  const [combo] = (body as { items: ComboView[] }).items;
  if (combo === undefined) throw new Error(JSON.stringify(body));
  return combo;
}
const refused = (combo: NewCombo) =>
  keep(combo).then(({ status, body }) => ({ status, body: body as { errors: object[] } }));

describe("keeping combos", () => {
  it("keeps them as they were made, and one sent twice once", async () => {
    const combo = comboOf();
    expect((await keep(combo)).status).toBe(200);
    expect((await keep({ ...combo, name: "Another name" })).body).toMatchObject({
      items: [
        { id: combo.id, name: combo.name, parts: combo.parts, version: 1, linkedAt: null, isRemoved: false },
      ],
    });
    expect((await coach.get(`/api/combos/${combo.id}`)).body).toMatchObject({ name: combo.name });
  });

  it("keeps what is noted to one, to be changed, and tells nobody who has only its link", async () => {
    const combo = await kept({ note: "  Low hands " });
    expect(combo.note).toBe("Low hands");
    expect((await kept()).note).toBe("");
    const path = `/api/combos/${combo.id}`;
    expect((await coach.ask("PATCH", path, { version: 1, note: "Wren: low" })).body).toMatchObject({
      ...{ note: "Wren: low", name: combo.name, version: 2 },
    });
    const { body } = await coach.post(`${path}/link`);
    const shared = await server.get(`/api/shared-combos/${(body as ComboLinkView).token}`);
    expect([shared.status, JSON.stringify(shared.body).includes("Wren")]).toEqual([200, false]);
  });

  it("refuses what cannot be jumped, naming the part and the reason, and keeps none of the batch", async () => {
    const good = comboOf();
    const faulty = comboOf({ parts: [...parts("sr sl"), ...parts("xr o")] });
    const { status, body } = await keep(good, faulty);
    expect(status).toBe(422);
    expect(body).toMatchObject({ errors: [{ item: 1, field: "parts[1]", code: "not-legal" }] });
    expect((await coach.get(`/api/combos/${good.id}`)).status).toBe(404);
  });

  it.each<[string, readonly Partial<ComboPart>[]]>([
    ["does-not-parse", [{ score: "o q" }]],
    ["unknown-skill", [{ subject: "moonwalk" }]],
    ["not-its-score", [{ subject: "cross", side: "right", score: "sr o" }]],
    ["not-its-score", [{ subject: "cross", side: "whole", score: "xr o" }]],
    ["unknown-combo", [{ subject: comboKey(uuid()) }]],
    ["too-long", Array.from({ length: 60 }, () => ({ subject: null, score: "xr o", times: 99 }))],
  ])("refuses %s", async (code, changes) => {
    const plain: ComboPart = { subject: null, side: "whole", score: "o", times: 1 };
    const { status, body } = await refused(
      comboOf({ parts: changes.map((change) => ({ ...plain, ...change })) }),
    );
    expect(status).toBe(422);
    expect(body.errors).toContainEqual(expect.objectContaining({ code }));
  });

  it.each<[string, object]>([
    ["no parts", { parts: [] }],
    ["a name of nothing", { name: "  " }],
    ["a part done no times", { parts: [{ subject: null, side: "whole", score: "o", times: 0 }] }],
    ["a key that nobody knows", { admin: true }],
  ])("takes no request with %s", async (_, changes) => {
    expect((await coach.post("/api/combos", { combos: [{ ...comboOf(), ...changes }] })).status).toBe(400);
  });

  it("takes a kept combo as a part of a larger one", async () => {
    const inner = await kept();
    const part: ComboPart = {
      subject: comboKey(inner.id),
      side: "right",
      score: "o sr sl (o o) xr o",
      times: 1,
    };
    expect((await keep(comboOf({ parts: [...parts("o"), part] }))).status).toBe(200);
  });

  it("renames, takes off the shelf and brings back; refuses an older state", async () => {
    const { id } = await kept();
    const path = `/api/combos/${id}`;
    const change = (body: object) => coach.ask("PATCH", path, body);
    expect((await change({ version: 1, name: "Mine", isRemoved: true })).body).toMatchObject({
      name: "Mine",
      isRemoved: true,
      version: 2,
    });
    expect(await change({ version: 1, name: "Other" })).toMatchObject({
      status: 409,
      body: { current: { name: "Mine" } },
    });
    expect((await change({ version: 2, isRemoved: false })).body).toMatchObject({
      name: "Mine",
      isRemoved: false,
    });
  });
});

describe("a combo's link", () => {
  it("shows the combo to whoever has it, until it is withdrawn or made anew", async () => {
    const { id, name } = await kept();
    const make = async () =>
      ((await coach.post(`/api/combos/${id}/link`, {})).body as { token: string }).token;
    const read = (token: string) => server.stranger(null).get(`/api/shared-combos/${token}`);
    const first = await make();
    const { status, body } = await read(first);
    expect([status, body]).toEqual([200, { name, studio: "Test Hall", parts: comboOf().parts }]);
    const second = await make();
    expect(second).not.toBe(first);
    expect((await read(first)).status).toBe(410);
    expect((await read(second)).status).toBe(200);
    await coach.ask("DELETE", `/api/combos/${id}/link`);
    expect(await read(second)).toMatchObject({ status: 410, body: { type: "bad-combo-link" } });
  });

  it("ends when the combo is taken off the shelf, and is kept as a hash alone", async () => {
    const combo = await kept();
    const { token, combo: linked } = (await coach.post(`/api/combos/${combo.id}/link`, {})).body as {
      token: string;
      combo: ComboView;
    };
    expect(linked.linkedAt).not.toBeNull();
    const rows = await server.database.query<object[]>("SELECT * FROM combo WHERE link_hash = $1", [token]);
    expect(rows).toEqual([]);
    await coach.ask("PATCH", `/api/combos/${combo.id}`, { version: 1, isRemoved: true });
    expect((await server.stranger(null).get(`/api/shared-combos/${token}`)).status).toBe(410);
  });
});

describe("a combo's record", () => {
  const wholeOf = (id: string, changes: Partial<SetRequest> = {}) =>
    setOf(student, {
      subject: comboKey(id),
      side: "right",
      drill: { kind: "one-out", count: 5, score: "o sr sl (o o) xr o" },
      clean: 4,
      misses: [{ position: 5, turn: 6 }],
      bestStreak: 1,
      ...changes,
    });
  const standingOf = async (id: string, side = "right") =>
    ((await coach.get(`/api/students/${student}/combos`)).body as { items: ComboStandingItem[] }).items.find(
      (one) => one.comboId === id && one.side === side,
    );
  const knowAll = async () => {
    const clear = { decision: { kind: "clear", count: null } } as const;
    const decisions = [
      decisionOf(student, { subject: "double-side-swing", side: "right", ...clear }),
      decisionOf(student, { subject: "double-under", side: "whole", ...clear }),
      decisionOf(student, { subject: "cross", side: "right", ...clear }),
      decisionOf(student, { subject: "basic-bounce", side: "whole", ...clear }),
    ];
    expect((await coach.post("/api/decisions", { decisions })).status).toBe(200);
  };

  it("is locked while more than one of its skills is missing, then ready, working and cleared", async () => {
    const { id } = await kept();
    expect(await standingOf(id)).toMatchObject({ status: "locked" });
    await knowAll();
    expect(await standingOf(id)).toMatchObject({ status: "ready", gateBest: 0 });
    await coach.post("/api/sets", { sets: [wholeOf(id, { clean: 2, misses: [{ count: 3 }] })] });
    expect(await standingOf(id)).toMatchObject({ status: "working" });
    const { body } = await coach.post("/api/sets", { sets: [wholeOf(id)] });
    expect(body).toMatchObject({
      changes: [{ subject: comboKey(id), side: "right", from: "working", to: "cleared" }],
    });
    expect(await standingOf(id)).toMatchObject({ status: "cleared", gateBest: 4 });
    expect(await standingOf(id, "left")).toMatchObject({ gateBest: 0 });
  });

  it("is taken back like any other set, and rebuilt to the same", async () => {
    const { id } = await kept();
    const set = wholeOf(id);
    await coach.post("/api/sets", { sets: [set] });
    expect(await standingOf(id)).toMatchObject({ status: "cleared" });
    const taken = decisionOf(student, {
      subject: set.subject,
      side: "right",
      decision: { kind: "void", target: set.id },
      reason: "",
    });
    expect((await coach.post("/api/decisions", { decisions: [taken] })).status).toBe(200);
    expect(await standingOf(id)).toMatchObject({ status: "ready", gateBest: 0 });
    const sets = (await coach.get(`/api/students/${student}/combo-sets?combo=${id}`)).body as {
      items: object[];
    };
    expect(sets.items).toEqual([]);
  });

  it("holds the sets of its links, newest first", async () => {
    const { id } = await kept();
    const link = (minutes: number) =>
      setOf(student, {
        subject: linkKey(id, 2),
        side: "right",
        drill: { kind: "link", count: 4, spacing: 4, score: "sr sl (o o)" },
        at: new Date(Date.now() - minutes * 60_000).toISOString(),
      });
    const [older, newer] = [link(20), link(10)];
    expect((await coach.post("/api/sets", { sets: [older, newer, wholeOf(id)] })).status).toBe(200);
    const { items } = (await coach.get(`/api/students/${student}/combo-sets?combo=${id}`)).body as {
      items: SetRequest[];
    };
    expect(items.map((set) => set.subject)).toEqual([linkKey(id, 2), linkKey(id, 2), comboKey(id)]);
    expect(items[0]?.id).toBe(newer.id);
  });

  it("counts what was jumped toward the week's landings", async () => {
    const { id } = await kept();
    const landings = async () =>
      ((await coach.get(`/api/students/${student}/load`)).body as { today: { landings: number } }).today
        .landings;
    const before = await landings();
    // A moment ago: an hour ago may be yesterday.
    const at = new Date(Date.now() - 10).toISOString();
    await coach.post("/api/sets", { sets: [wholeOf(id, { clean: 2, misses: [], bestStreak: 1, at })] });
    // Seven turns in six beats, one of them a double that counts one and a half.
    expect((await landings()) - before).toBe(2 * 6.5);
  });

  it.each<[string, (id: string) => Partial<SetRequest>]>([
    ["another combo", () => ({ subject: comboKey(uuid()) })],
    ["a link that it does not have", (id) => ({ subject: linkKey(id, 40) })],
    ["a side that it does not have", () => ({ side: "whole" })],
  ])("refuses a set of %s", async (_, changes) => {
    const { id } = await kept();
    expect((await coach.post("/api/sets", { sets: [wholeOf(id, changes(id))] })).status).toBe(422);
  });

  it("takes a clearing by hand, and no gate of its own", async () => {
    const { id } = await kept();
    const about = { subject: comboKey(id), side: "left" } as const;
    expect((await coach.post("/api/decisions", { decisions: [decisionOf(student, about)] })).status).toBe(
      200,
    );
    expect(await standingOf(id, "left")).toMatchObject({ status: "cleared" });
    const gate = { kind: "override", gate: { kind: "streak", count: 2 } } as const;
    const override = decisionOf(student, { ...about, decision: gate });
    expect((await coach.post("/api/decisions", { decisions: [override] })).status).toBe(422);
  });

  it("leaves the list of skills, the next drills and the export as they are", async () => {
    const standings = (await coach.get(`/api/students/${student}/standings`)).body as {
      items: { subject: string }[];
    };
    expect(standings.items.some((one) => one.subject.startsWith("combo:"))).toBe(false);
    expect((await coach.get(`/api/students/${student}/next`)).status).toBe(200);
    expect((await server.get(`/api/students/${student}/export`)).status).toBe(200);
  });
});

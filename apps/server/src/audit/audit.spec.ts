import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { AuditView } from "@mirrup/contract";
import { comboOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

/** What was written down, newest first. */
async function trail(): Promise<readonly AuditView[]> {
  return ((await server.get("/api/audit")).body as { items: readonly AuditView[] }).items;
}

describe("the audit trail", () => {
  it("says whose record was changed and in which fields, and nothing of what they say", async () => {
    const student = await server.addStudent("Audited Case");
    const change = { version: 1, notes: "A secret of hers", birthYear: 2014, ropeLengthMm: 2400 };
    expect((await server.owner.ask("PATCH", `/api/students/${student}`, change)).status).toBe(200);
    const [last] = await trail();
    expect(last).toMatchObject({
      ...{ action: "changed-record", whom: "Audited Case", about: "birth year, notes, rope length mm" },
    });
    expect(JSON.stringify(await trail())).not.toContain("secret");
    // Refused, it is not written down.
    const stale = { version: 1, notes: "Something else" };
    expect((await server.owner.ask("PATCH", `/api/students/${student}`, stale)).status).toBe(409);
    expect((await trail()).filter((one) => one.action === "changed-record")).toHaveLength(1);
  });

  it("says who took all records along, which a viewer may not", async () => {
    const coach = await server.addPerson(server.studioId, "coach", "audited@hall.example");
    const viewer = await server.addPerson(server.studioId, "viewer");
    expect((await viewer.get("/api/students/details")).status).toBe(403);
    expect((await coach.get("/api/students/details")).status).toBe(200);
    const [last] = await trail();
    expect(last).toMatchObject({ action: "exported-all", by: "audited@hall.example", about: "1 students" });
  });

  it("says which combo can be read by a link, and that it cannot any more, once", async () => {
    const combo = comboOf({ name: "Shared one" });
    await server.post("/api/combos", { combos: [combo] });
    await server.post(`/api/combos/${combo.id}/link`, {});
    for (let time = 0; time < 2; time += 1) await server.owner.ask("DELETE", `/api/combos/${combo.id}/link`);
    const [last, before] = await trail();
    expect([last, before].map((one) => [one?.action, one?.about])).toEqual([
      ["unshared", "Shared one"],
      ["shared", "Shared one"],
    ]);
  });
});

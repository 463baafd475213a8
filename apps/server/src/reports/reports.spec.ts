import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

interface MailItem {
  readonly to: string;
  readonly subject: string;
  readonly text: string | null;
}
const outbox = async () => ((await server.get("/api/mail")).body as { items: MailItem[] }).items;

describe("a report by mail", () => {
  it("leaves with the student's name and the studio's, and that it did is written down", async () => {
    const student = await server.addStudent("Letter Case");
    const { status } = await server.post(`/api/students/${student}/report-letter`, {
      ...{ to: "parent@home.example", text: "New: the cross on both sides." },
    });
    expect(status).toBe(200);
    const [letter] = await outbox();
    expect(letter).toMatchObject({ to: "parent@home.example", subject: "How Letter Case is coming along" });
    expect(letter?.text).toContain("New: the cross on both sides.");
    expect(letter?.text).toContain("Test Hall");
    const { items } = (await server.get("/api/audit")).body as { items: readonly object[] };
    expect(items[0]).toMatchObject({
      ...{ action: "mailed-report", whom: "Letter Case", about: "parent@home.example" },
    });
  });

  it("is refused without an address or anything to say, and for nobody's student", async () => {
    const student = await server.addStudent("Refused Case");
    const before = (await outbox()).length;
    const send = (body: object, id = student) => server.post(`/api/students/${id}/report-letter`, body);
    expect((await send({ to: "nowhere", text: "x" })).status).toBe(400);
    expect((await send({ to: "a@b.example", text: "" })).status).toBe(400);
    expect((await send({ to: "a@b.example", text: "x".repeat(20_001) })).status).toBe(400);
    const other = await server.addStudio("Elsewhere");
    const theirs = await server.addStudent("Theirs", other);
    expect((await send({ to: "a@b.example", text: "x" }, theirs)).status).toBe(404);
    expect(await outbox()).toHaveLength(before);
  });
});

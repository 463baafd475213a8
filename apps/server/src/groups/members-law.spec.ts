import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { between, randomFrom, type Random } from "@mirrup/cohort";
import type { GroupView, StudentDetail } from "@mirrup/contract";
import { startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

const someOf = (random: Random, ids: readonly string[]) => ids.filter(() => random() < 0.5);
const pairKey = (student: string, group: string) => `${student} ${group}`;

async function readGroup(id: string): Promise<GroupView> {
  const { body } = await server.get("/api/groups");
  const group = (body as { items: GroupView[] }).items.find((one) => one.id === id);
  if (group === undefined) throw new Error("The group is gone.");
  return group;
}

/** A change that somebody makes of what they have just read, and the pairs that it speaks of. */
interface Ask {
  readonly path: string;
  readonly body: object;
  readonly pairs: readonly (readonly [key: string, isIn: boolean])[];
}

async function askOfGroup(random: Random, id: string, students: readonly string[]): Promise<Ask> {
  const { version } = await readGroup(id);
  const members = someOf(random, students);
  const pairs = students.map((student) => [pairKey(student, id), members.includes(student)] as const);
  return { path: `groups/${id}`, body: { version, members }, pairs };
}

async function askOfStudent(random: Random, id: string, groups: readonly string[]): Promise<Ask> {
  const { version } = (await server.get(`/api/students/${id}/detail`)).body as StudentDetail;
  const wanted = someOf(random, groups);
  const pairs = groups.map((group) => [pairKey(id, group), wanted.includes(group)] as const);
  return { path: `students/${id}`, body: { version, groups: wanted }, pairs };
}

describe("who is in which group, changed from both ends at once", () => {
  it.each([1, 2, 3, 4])(
    "is what the accepted changes made of it, and none undoes another (seed %i)",
    async (seed) => {
      const random = randomFrom(seed);
      const students = await Promise.all(["a", "b", "c"].map((name) => server.addStudent(`${name} ${seed}`)));
      const groups = await Promise.all(
        ["x", "y"].map(async (name) => {
          const { body } = await server.post("/api/groups", { name: `${name} ${seed}` });
          return (body as GroupView).id;
        }),
      );
      const anyOf = (ids: readonly string[]) => ids[between(random, 0, ids.length - 1)] ?? "";
      const isIn = new Map<string, boolean>();
      for (let round = 0; round < 10; round += 1) {
        const asks = await Promise.all(
          Array.from({ length: between(random, 1, 3) }, () =>
            random() < 0.5
              ? askOfGroup(random, anyOf(groups), students)
              : askOfStudent(random, anyOf(students), groups),
          ),
        );
        const answers = await Promise.all(
          asks.map(({ path, body }) => server.owner.ask("PATCH", `/api/${path}`, body)),
        );
        for (const { status } of answers) expect([200, 409]).toContain(status);
        const accepted = asks.filter((_, place) => answers[place]?.status === 200);
        expect(accepted.length).toBeGreaterThan(0);
        const changes = accepted.flatMap(({ pairs }) =>
          pairs.filter(([key, value]) => value !== (isIn.get(key) ?? false)),
        );
        for (const [key, value] of changes) isIn.set(key, value);
        for (const id of groups) {
          const { members } = await readGroup(id);
          for (const student of students)
            expect(members.includes(student)).toBe(isIn.get(pairKey(student, id)) ?? false);
        }
      }
    },
  );
});

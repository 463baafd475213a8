import { describe, expect, it } from "@jest/globals";
import { between, randomFrom, type Random } from "@mirrup/cohort";
import { ATTENDANCES, type Attendance, type SetRequest } from "@mirrup/contract";
import { isOfKind, type Command, type Saying } from "./command.js";
import { Clock, Device, Hall, isPoison, isPoisonId, STUDENTS } from "./simulation.js";
import { setOf } from "./testing.js";

/** As in the laws of the core: what is drawn is the same each time, but where somebody looks elsewhere. */
const FIRST_SEED = Number(process.env.MIRRUP_SEED ?? 1);
const HISTORIES = 400;
const TENTHS = 10;
const pick = <T>(random: Random, all: readonly T[]): T => {
  const one = all[between(random, 0, all.length - 1)];
  if (one === undefined) throw new Error("There is nothing to pick from.");
  return one;
};

/** What everybody who taps sees happen, as if there were one device and no network. */
interface Truth {
  readonly said: Command[];
  readonly comes: Map<string, Attendance>;
  readonly stops: Map<string, boolean>;
  readonly notes: Map<string, string>;
  step: number;
}

/** What somebody has said on a device: sets, to which they can note something, and students. */
interface Own {
  readonly sets: readonly SetRequest[];
  readonly newcomers: readonly string[];
}

/** What somebody taps next. */
function tapped(random: Random, truth: Truth, { sets: own, newcomers }: Own, id: string): Saying {
  // Of a student who is gone the server takes nothing.
  const studentId = isPoisonId(id) ? "gone" : pick(random, [...STUDENTS, ...newcomers]);
  const lesson = (run: Extract<Saying, { kind: "lesson" }>["run"]): Saying => ({
    kind: "lesson",
    lessonId: "l",
    run,
  });
  const draw = between(random, 1, TENTHS + 1);
  if (draw > TENTHS && studentId !== "gone") return { kind: "student", studentId: `new ${id}`, name: id };
  if (draw === 1 && own.length > 0 && studentId !== "gone") {
    const set = pick(random, own);
    return { kind: "note", studentId: set.studentId, setId: set.id, text: id };
  }
  if (draw <= 4) return { kind: "set", set: setOf(id, studentId) };
  if (draw <= 6) return { kind: "stop", studentId, stops: random() < 0.5 };
  if (draw <= 9 || studentId === "gone")
    return lesson({ attendance: { [studentId]: pick(random, ATTENDANCES) } });
  const startedAt = new Date(0).toISOString();
  return lesson({ progress: { step: truth.step + 1, startedAt, minutes: 5, skipped: [] } });
}

function believe(truth: Truth, command: Command): void {
  truth.said.push(command);
  if (command.kind === "note") truth.notes.set(command.setId, command.text);
  if (command.kind === "stop") truth.stops.set(command.studentId, command.stops);
  if (command.kind !== "lesson") return;
  for (const [id, one] of Object.entries(command.run.attendance ?? {})) truth.comes.set(id, one);
  truth.step = Math.max(truth.step, command.run.progress?.step ?? -1);
}

const valuesOf = <T>(words: ReadonlyMap<string, { readonly value: T }>) =>
  new Map([...words].map(([id, word]) => [id, word.value]));

async function history(seed: number): Promise<void> {
  const random = randomFrom(seed);
  const clock = new Clock();
  const hall = new Hall();
  const people = ["coach", "helper"].map((personId) => ({ personId, studioId: "hall" }));
  const [coach, helper] = people;
  if (coach === undefined || helper === undefined) throw new Error("There is nobody.");
  const devices = [
    new Device(clock, hall, random, coach, 0, 2),
    new Device(clock, hall, random, helper, between(random, -3_600_000, 3_600_000), 1),
  ];
  const truth: Truth = { said: [], comes: new Map(), stops: new Map(), notes: new Map(), step: -1 };
  const whereSaid = new Map<string, Device>();
  const saidOn = <K extends "set" | "student">(device: Device, kind: K) =>
    truth.said
      .filter((one) => isOfKind(one, kind))
      .filter((one) => !isPoison(one) && whereSaid.get(one.id) === device)
      .filter((one) => one.sender.personId === device.sender.personId);
  for (let event = 0; event < 40; event += 1) {
    const device = pick(random, devices);
    const draw = random();
    if (draw < 0.7) {
      const id = `${random() < 0.05 ? "poison" : "said"} ${event}`;
      const own = {
        sets: saidOn(device, "set").map((one) => one.set),
        newcomers: saidOn(device, "student").map((one) => one.studentId),
      };
      const saying = tapped(random, truth, own, id);
      const command: Command = { ...saying, id, at: device.instant(), sender: device.sender };
      await pick(random, device.outboxes).say([command]);
      whereSaid.set(id, device);
      if (!isPoison(command)) believe(truth, command);
      else truth.said.push(command);
    } else if (draw < 0.8) device.isOnline = !device.isOnline;
    else if (draw < 0.85) device.isSignedIn = !device.isSignedIn;
    else if (draw < 0.93) device.reload(between(random, 0, device.outboxes.length - 1));
    else if (device === devices[1]) device.sender = pick(random, people);
    // A tap follows another after some while, and now and then the hall is quiet.
    await clock.turn(random() < 0.8 ? between(random, 5, 3000) : between(random, 3000, 120_000));
  }
  for (const sender of people) {
    for (const device of devices) {
      device.isOnline = true;
      device.isSignedIn = true;
      if (device === devices[1]) device.sender = sender;
      for (const outbox of device.outboxes) void outbox.flush();
    }
    await clock.turn(1_200_000);
  }

  const newcomers = truth.said.filter((one) => isOfKind(one, "student")).map((one) => one.studentId);
  expect([...hall.students].sort()).toEqual([...STUDENTS, ...newcomers].sort());
  const sets = truth.said.filter((one) => one.kind === "set" && !isPoison(one));
  expect(hall.sets).toEqual(new Map(sets.map((one) => [one.id, one.sender])));
  expect(valuesOf(hall.comes)).toEqual(truth.comes);
  expect(valuesOf(hall.stops)).toEqual(truth.stops);
  expect(valuesOf(hall.notes)).toEqual(truth.notes);
  expect(hall.step).toBe(truth.step);
  for (const device of devices)
    for (const { current } of device.outboxes) {
      expect(current().waiting).toEqual([]);
      expect(current().refused.every((one) => isPoison(one.command))).toBe(true);
      expect([current().silent, current().signedOut, current().told]).toEqual([false, false, []]);
    }
}

describe("devices in a hall", () => {
  it("end with what was tapped, each once and by whoever did it, whatever the network and the pages do", async () => {
    for (let seed = FIRST_SEED; seed < FIRST_SEED + HISTORIES; seed += 1) {
      try {
        await history(seed);
      } catch (error) {
        throw new Error(`Seed ${seed}: ${error instanceof Error ? error.message : ""}`, { cause: error });
      }
    }
  }, 120_000);
});

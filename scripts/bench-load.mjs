/**
 * A hall at its fullest: 200 requests a second for a minute, sets, readings and sign-ins mixed, whoever waits. Each
 * comes at its moment, whether the others were answered or not. Beside it, the same mix with nobody else there.
 */
import { randomUUID } from "node:crypto";
import { Agent, request } from "node:http";
import { readFileSync } from "node:fs";
import { printRatio } from "./lib/measure.mjs";
import { endAll } from "./lib/processes.mjs";
import { coachHeaders, throwawayStack } from "./lib/stack.mjs";
import { main } from "./lib/stop.mjs";

const RATE = Number(process.env.RATE ?? 200);
const SECONDS = Number(process.env.SECONDS ?? 60);
const CALM_SECONDS = 15;
const CALM_RATE = 4;

const setOf = (studentId) => ({
  ...{ id: randomUUID(), studentId, subject: "basic-bounce", side: "whole" },
  ...{ drill: { kind: "streak", count: 20 }, clean: 18, misses: [{ position: 12 }], bestStreak: 11 },
  ...{ countedBy: "tapped", at: new Date().toISOString() },
});

/** A hundred requests of a hall, as the places of a hundred: readings of one student, of all, sets, and a sign-in. */
function requestAt(place, students) {
  const student = students[place % students.length];
  const of = (path) => ({ method: "GET", path: `/students/${student}${path}` });
  const kind = (place * 37) % 100;
  if (kind < 30) return { method: "POST", path: "/sets", body: { sets: [setOf(student)] } };
  if (kind < 50) return of("/next");
  if (kind < 65) return of("/standings");
  if (kind < 75) return of("/ladder?subject=basic-bounce&side=whole");
  if (kind < 85) return of("/load");
  if (kind < 92) return of("");
  if (kind < 95) return { method: "GET", path: "/students" };
  if (kind < 98) return { method: "GET", path: "/auth/session" };
  if (kind < 99) return { method: "GET", path: "/groups" };
  return place % 200 < 100
    ? { method: "GET", path: "/combos" }
    : {
        ...{ method: "POST", path: "/auth/sign-in", isStranger: true },
        body: { email: "owner@quillhaven.example", password: "quillhaven demo" },
      };
}

const agent = new Agent({ keepAlive: true, maxSockets: 400 });

function ask(api, own, { method, path, body, isStranger = false }) {
  // Whoever signs in anew under a session ends it.
  const { cookie, ...plain } = own;
  const headers = isStranger ? plain : { ...plain, cookie };
  const begun = performance.now();
  return new Promise((resolve) => {
    const done = (status) => resolve({ status, ms: performance.now() - begun });
    const sent = request(`${api}${path}`, { method, headers, agent }, (reply) => {
      reply.resume();
      reply.on("end", () => done(reply.statusCode));
    });
    sent.on("error", () => done(0));
    sent.end(body === undefined ? undefined : JSON.stringify(body));
  });
}

/** Asks at a rate, a second's worth spread over the second; answers what came back. */
async function hold(api, headers, students, { rate, seconds }) {
  const answers = [];
  const begun = performance.now();
  for (let place = 0; place < rate * seconds; place += 1) {
    const wait = begun + (place * 1000) / rate - performance.now();
    if (wait > 1) await new Promise((resolve) => setTimeout(resolve, wait));
    answers.push(ask(api, headers, requestAt(place, students)));
  }
  return Promise.all(answers);
}

function share(answers, part) {
  const times = answers.map(({ ms }) => ms).sort((one, other) => one - other);
  return times[Math.min(times.length - 1, Math.floor(times.length * part))];
}

/** What the server's process holds, megabytes. */
function heldBy(pid) {
  const [, kilobytes] = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8")) ?? [];
  return Number(kilobytes) / 1024;
}

export async function benchLoad({ address, server }, headers) {
  const api = `${address}/api`;
  const reply = await fetch(`${api}/students`, { headers });
  const students = (await reply.json()).items.map(({ id }) => id);
  await hold(api, headers, students, { rate: 20, seconds: 5 });
  const calm = await hold(api, headers, students, { rate: CALM_RATE, seconds: CALM_SECONDS });
  const before = heldBy(server().child.pid);
  const full = await hold(api, headers, students, { rate: RATE, seconds: SECONDS });
  const after = heldBy(server().child.pid);
  const counts = new Map();
  for (const { status } of full) counts.set(status, (counts.get(status) ?? 0) + 1);
  const told = [...counts].map(([status, many]) => `${many} × ${status}`).join(", ");
  console.log(`${RATE} mixed requests a second for ${SECONDS} s: ${told}`);
  const taken = full.filter(({ status }) => status === 200);
  printRatio("  half of them within", share(taken, 0.5), share(calm, 0.5), "the same with nobody else");
  printRatio("  99 of 100 within", share(taken, 0.99), share(calm, 0.99), "the same with nobody else");
  printRatio("  held after", after, before, "held before", "MB");
}

if (process.argv[1] === import.meta.filename)
  await main(async () => {
    try {
      const stack = await throwawayStack();
      await benchLoad(stack, await coachHeaders(stack.address));
    } finally {
      await endAll();
    }
  });

import { afterEach, describe, expect, it } from "@jest/globals";
import type { LogLine, LogPage as Page, SetView } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { decisionWords } from "../app/decision-words.js";
import { LogPage } from "./log-page.js";
import { byDay, dayWords, howWords, logCsv, missesWords } from "./log-words.js";

const setOf = (id: string, more: Partial<SetView> = {}): SetView => ({
  ...{ id, studentId: "ada", subject: "cross", side: "left", drill: { kind: "streak", count: 15 } },
  ...{ clean: 8, misses: [], bestStreak: 8, countedBy: "tapped", at: "2026-06-01T12:00:00.000Z", note: "" },
  ...more,
});
const lineOf = (id: string, at: string, more: Partial<SetView> = {}, isVoided = false): LogLine => ({
  ...{ kind: "set", at, set: setOf(id, { at, ...more }), isVoided },
});
const DECIDED: LogLine = {
  ...{ kind: "decision", at: "2026-06-01T11:00:00.000Z" },
  decision: {
    ...{
      id: "d",
      subject: "skier",
      side: "whole",
      decision: { kind: "clear", count: null },
      isVoided: false,
    },
    ...{ reason: "Shown at the fair", at: "2026-06-01T11:00:00.000Z", by: "Ansa Brook" },
  },
};
const NOW = lineOf("a", "2026-06-01T12:00:00.000Z", {
  ...{
    misses: [{ position: 9, fault: "toes" }, { count: 2 }],
    note: "Low hands.",
    seconds: 31.2,
    said: 0.62,
  },
});
const GONE = lineOf("b", "2026-05-31T12:00:00.000Z", { clean: 3 }, true);

function log(more: Answers = {}, at = "/students/ada/log", role: "coach" | "viewer" = "coach") {
  const first: Page = { items: [NOW, DECIDED], next: "2026-06-01T11:00:00.000Z~d" };
  return drawn(
    <Routes>
      <Route path="students/:studentId/log" element={<LogPage />} />
    </Routes>,
    {
      at,
      answers: {
        "GET /auth/session": signedIn(role),
        "GET /students/ada/log": first,
        "GET /students/ada/log?before=2026-06-01T11%3A00%3A00.000Z%7Ed": { items: [GONE], next: null },
        "POST /decisions": { stored: [], alreadyStored: [], changes: [], opened: [] },
        "POST /sets": {
          stored: [],
          alreadyStored: [],
          clockAhead: [],
          clockAheadSeconds: 0,
          changes: [],
          opened: [],
        },
        "PUT /students/ada/notes": { done: true },
        ...more,
      },
    },
  );
}
const day = (name: string) => within(screen.getByRole("region", { name }));

afterEach(cleanup);

describe("a student's log", () => {
  it("shows each day with what it came to, and earlier pages when they are asked for", async () => {
    const { user } = log();
    expect(await screen.findByText("1 set, 8 clean, 1 decision")).toBeDefined();
    const first = day("1 June 2026");
    expect(first.getByText(/Cross, left side/)).toBeDefined();
    expect(first.getByText("“Low hands.”")).toBeDefined();
    expect(first.getByText("Ansa Brook. Shown at the fair")).toBeDefined();
    expect(first.getByText(/^Missed at try 9: [a-z ]+\.$/)).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Show earlier ones" }));
    expect(await screen.findByText(/\(taken back\)/)).toBeDefined();
    expect(screen.queryByRole("button", { name: "Show earlier ones" })).toBeNull();
  });

  it("takes a set back, and counts it again as it was", async () => {
    const { user, sent } = log();
    await user.click(await screen.findByText(/Cross, left side/));
    await user.click(screen.getByRole("button", { name: "Take it back", hidden: true }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      path: "/decisions",
      body: { decisions: [{ subject: "cross", side: "left", decision: { kind: "void", target: "a" } }] },
    });
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(sent).toHaveLength(3));
    const [, again, note] = sent;
    const { note: _note, id: _id, ...counts } = NOW.kind === "set" ? NOW.set : setOf("");
    expect(again).toMatchObject({ path: "/sets", body: { sets: [counts] } });
    expect(note).toMatchObject({ path: "/students/ada/notes", body: { text: "Low hands." } });
    const [copy] = (again?.body as { readonly sets: readonly SetView[] }).sets;
    expect(copy?.id).not.toBe("a");
    expect((note?.body as { readonly setId: string }).setId).toBe(copy?.id);
  });

  it("asks for one skill and one kind as its address says, and only shows to a viewer", async () => {
    const { user, address } = log({}, "/students/ada/log?skill=cross", "viewer");
    await screen.findByText("1 set, 8 clean, 1 decision");
    await user.click(screen.getByRole("radio", { name: "Sets" }));
    expect(address()).toBe("/students/ada/log?skill=cross&kind=set");
    expect(screen.queryByRole("button", { name: "Take it back", hidden: true })).toBeNull();
  });

  it("says so where there is nothing, and where nobody answers", async () => {
    log({ "GET /students/ada/log": { items: [], next: null } });
    expect(await screen.findByText(/^Nothing has been counted yet/)).toBeDefined();
    cleanup();
    log({ "GET /students/ada/log": new Refused(500, "It broke.") });
    expect(await screen.findByText("The log could not be read")).toBeDefined();
  });
});

describe("the words of the log", () => {
  const lines = [NOW, DECIDED, GONE];

  it("tell days apart, and of each what still counts", () => {
    expect(byDay(lines).map(([name, own]) => [name, own.length])).toEqual([
      ["2026-06-01", 2],
      ["2026-05-31", 1],
    ]);
    expect(dayWords([GONE])).toBe("");
    expect(howWords(setOf("a", { countedBy: "hand" }))).toBe("Written down by hand.");
    expect(NOW.kind === "set" && howWords(NOW.set)).toBe("Tapped, 31 s, 6 in 10 was said of it.");
    expect(missesWords(setOf("a", { misses: [{ count: 3 }] }))).toBeNull();
  });

  it("go out as a table, with what was taken back marked and no formula run", () => {
    const rows = logCsv([...lines, lineOf("c", "2026-05-30T12:00:00.000Z", { note: "=SUM(A1)" })]).split(
      "\r\n",
    );
    expect(rows[0]).toBe("At,Skill,What,Clean,Missed,Best in a row,Seconds,Counted,Taken back,Note");
    expect(rows[1]).toMatch(/^2026-06-01T12:00:00.000Z,"cross, left side",.*,8,3,8,31.2,tapped,,Low hands.$/);
    expect(rows[2]).toContain("cleared by hand");
    expect(rows[3]).toMatch(/,yes,$/);
    const key = "programme:0199c1b2-0000-7000-8000-000000000001";
    const clear = { kind: "clear", count: null } as const;
    expect([key, `${key}#cross/gate`, "cross"].map((subject) => decisionWords(clear, subject))).toEqual([
      "finished",
      "ticked by hand",
      "cleared by hand",
    ]);
    expect(rows[4]).toContain(`"'=SUM(A1)"`);
  });
});

import { afterEach, describe, expect, it } from "@jest/globals";
import type { LogLine, LogPage as Page, SetView } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes, useNavigate } from "react-router";
import { drawn, Refused, signedIn, STUDIO_ID, type Answers } from "../testing/drawn.js";
import { subjectName } from "../app/words.js";
import { decisionWords } from "../app/decision-words.js";
import { LogPage } from "./log-page.js";
import { byDay, dayWords, howWords, logSheet, missesWords } from "./log-words.js";
import { csvOf } from "../app/sheet.js";

const setOf = (id: string, more: Partial<SetView> = {}): SetView => ({
  ...{ id, studentId: "ada", subject: "cross", side: "left", drill: { kind: "streak", count: 15 } },
  ...{ clean: 8, misses: [], bestStreak: 8, countedBy: "tapped", at: "2026-06-01T12:00:00.000Z", note: "" },
  ...more,
});
const lineOf = (id: string, at: string, more: Partial<SetView> = {}, isVoided = false): LogLine => ({
  ...{ kind: "set", at, set: setOf(id, { at, ...more }), by: null, isVoided, became: [] },
});
const COMBO = "0199c1b2-0000-7000-8000-000000000009";
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
const EVENTS: readonly LogLine[] = [
  {
    ...{ kind: "lesson", at: "2026-06-01T10:00:00.000Z" },
    lesson: { id: "l", title: "Low ropes", minutes: 45, attendance: "late" },
  },
  { kind: "stop", at: "2026-06-01T10:40:00.000Z", id: "s" },
  {
    ...{ kind: "jump", at: "2026-06-01T10:20:00.000Z" },
    jump: {
      ...{ id: "j", turns: 2, heightMm: 254, contactMs: 250, landings: 11, way: "taps" },
      measuredAt: "2026-06-01T10:20:00.000Z",
    },
  },
];
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
        "GET /combos": { items: [{ id: COMBO, name: "Opener", parts: [], isRemoved: false }] },
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

afterEach(() => {
  cleanup();
  globalThis.history.replaceState(null, "", "/");
});

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
    globalThis.history.replaceState(null, "", "?skill=cross");
    const { user, address } = log({}, "/students/ada/log?skill=cross", "viewer");
    await screen.findByText("1 set, 8 clean, 1 decision");
    await user.click(screen.getByRole("combobox", { name: "Show" }));
    await user.click(screen.getByRole("option", { name: "sets", hidden: true }));
    expect(address()).toBe("/students/ada/log?skill=cross&kind=set");
    expect(screen.queryByRole("button", { name: "Take it back", hidden: true })).toBeNull();
  });

  it("tells lessons, early stops and measured jumps, and what became by a set", async () => {
    const ticks = [0, 0.5, 1, 1.5, 2, 2.5, 3.25, 3.75, 4.25];
    const became = [
      { subject: "cross", side: "left", kind: "cleared" },
      { subject: "side-swing", side: "left", kind: "lost" },
    ] as const;
    const tapped = { ...lineOf("a", NOW.at, { ticks }), became, by: "Ansa Brook" };
    const items = [tapped, ...EVENTS] as LogLine[];
    log({ "GET /students/ada/log": { items, next: null } });
    expect(await screen.findByText("Cleared: cross, left side.")).toBeDefined();
    expect(
      screen.getByText("Review of side swing, left side: not there, so it comes again soon."),
    ).toBeDefined();
    expect(screen.getByText("Tapped by Ansa Brook.")).toBeDefined();
    expect(screen.getByText(/a minute, evenness \d+; the 7th came late\.$/)).toBeDefined();
    const told = screen.getAllByRole("listitem").map((line) => line.textContent);
    expect(told[1]).toMatch(/^\d\d:\d\dLesson: late, Low ropes, 45 min$/);
    expect(told[2]).toMatch(/Stopped early$/);
    expect(told[3]).toMatch(/Jumped 25 cm, in a double, from tapped landings$/);
    // A day on which nothing else happened says nothing of sets.
    expect(dayWords(EVENTS)).toBe("");
  });

  it("calls a combo by its name, and a link by that of its combo", async () => {
    const items = [
      lineOf("a", "2026-06-01T12:00:00.000Z", { subject: `combo:${COMBO}`, side: "right" }),
      lineOf("b", "2026-06-01T11:00:00.000Z", { subject: `combo:${COMBO}#link2`, side: "left" }),
    ];
    log({ "GET /students/ada/log": { items, next: null } });
    expect(await screen.findByText("Opener, as written")).toBeDefined();
    expect(screen.getByText("A link of Opener, mirrored")).toBeDefined();
  });

  it("shows nobody's lines under somebody else's name, and goes nowhere for words that were typed in leaving", async () => {
    function Pages() {
      const navigate = useNavigate();
      return (
        <>
          <button onClick={() => void navigate(`/${STUDIO_ID}/students/bo/log`)}>To Bo</button>
          <button onClick={() => void navigate(`/${STUDIO_ID}/students`)}>Away</button>
          <Routes>
            <Route path="students/:studentId/log" element={<LogPage />} />
            <Route path="*" element={<p>Elsewhere</p>} />
          </Routes>
        </>
      );
    }
    const answers = {
      "GET /auth/session": signedIn("coach"),
      "GET /students/ada/log": { items: [NOW], next: null },
      "GET /students/bo/log": () => new Promise(() => undefined),
    };
    const { user, address } = drawn(<Pages />, { at: "/students/ada/log", answers });
    expect(await screen.findByText("“Low hands.”")).toBeDefined();
    await user.click(screen.getByRole("button", { name: "To Bo" }));
    expect(screen.queryByText("“Low hands.”")).toBeNull();
    await user.type(screen.getByRole("textbox", { name: "With the words" }), "wrists");
    await user.click(screen.getByRole("button", { name: "Away" }));
    expect(screen.getByText("Elsewhere")).toBeDefined();
    await new Promise((resolve) => setTimeout(resolve, 400));
    expect(address()).toBe("/students");
  });

  it("looks for words once they are typed, and says where there are none", async () => {
    const { user, address } = log({ "GET /students/ada/log?text=wrists": { items: [], next: null } });
    await user.type(await screen.findByRole("textbox", { name: "With the words" }), "wrists");
    expect(await screen.findByText("Nothing of this is in the log.")).toBeDefined();
    expect(address()).toBe("/students/ada/log?text=wrists");
    cleanup();
    const { user: other, address: there } = log({}, "/students/ada/log?text=wrists");
    await other.clear(await screen.findByRole("textbox", { name: "With the words" }));
    expect(await screen.findByText("1 set, 8 clean, 1 decision")).toBeDefined();
    await waitFor(() => expect(there()).toBe("/students/ada/log"));
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
    expect(howWords(setOf("a", { countedBy: "hand" }), "Ansa Brook")).toBe("Written down by Ansa Brook.");
    expect(NOW.kind === "set" && howWords(NOW.set, null)).toBe("Tapped, 31 s, 6 in 10 was said of it.");
    expect(missesWords(setOf("a", { misses: [{ count: 3 }] }))).toBeNull();
  });

  it("go out as a table, with what was taken back marked and no formula run", () => {
    const rows = csvOf(
      logSheet(
        [...lines, ...EVENTS, lineOf("c", "2026-05-30T12:00:00.000Z", { note: "=SUM(A1)" })],
        "cm",
        subjectName,
      ),
    ).split("\r\n");
    expect(rows[0]).toBe(
      "At,Skill,What,Clean,Missed,Best in a row,Seconds,Counted,By,Taken back,Note,What became",
    );
    expect(rows[1]).toMatch(
      /^2026-06-01T12:00:00.000Z,"cross, left side",.*,8,3,8,31.2,tapped,,,Low hands.,$/,
    );
    expect(rows[2]).toContain("cleared by hand");
    expect(rows[3]).toMatch(/,yes,,$/);
    const key = "programme:0199c1b2-0000-7000-8000-000000000001";
    const clear = { kind: "clear", count: null } as const;
    expect([key, `${key}#cross/gate`, "cross"].map((subject) => decisionWords(clear, subject))).toEqual([
      "finished",
      "ticked by hand",
      "cleared by hand",
    ]);
    expect(rows[4]).toContain('"Lesson: late, Low ropes, 45 min"');
    expect(rows[7]).toContain(`"'=SUM(A1)"`);
  });
});

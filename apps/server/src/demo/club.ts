import type { Role, StudentProfile } from "@mirrup/contract";
import type { SchoolId } from "@mirrup/core";
import { FIRST_PROGRAMME } from "./programmes.js";

/**
 * The demo club: an invented hall with invented students. A record line is a skill and the best
 * streak that the student has come to on each side (`r12 l7`, or a bare number for a skill without
 * sides), in the order in which they learned them.
 */
export interface DemoStudent {
  readonly name: string;
  readonly strongerSide: "left" | "right";
  /** How many weeks ago the student began, and how many lessons a week they come to. */
  readonly weeks: number;
  readonly lessonsAWeek: number;
  /** What the instructors wrote down about them; nothing more is known. */
  readonly profile?: Partial<StudentProfile>;
  /** A skill that did not move in as many lessons after the history: for somebody who does not get on. */
  readonly plateau?: { readonly subject: string; readonly lessons: number };
  /** Days since the last lesson. */
  readonly lastSeenDays: number;
  readonly record: string;
}

/** A student whose lessons are simulated: everybody whom the demo does not tell a story about. */
export interface SimulatedDemoStudent {
  readonly name: string;
  readonly seed: number;
  /** The share of all skill sides that they could do before their first lesson here. */
  readonly level: number;
  readonly weeks: number;
  readonly lessonsAWeek: number;
  readonly lastSeenDays: number;
  readonly profile?: Partial<StudentProfile>;
}

export interface DemoClub {
  readonly name: string;
  readonly timeZone: string;
  readonly school: SchoolId;
  readonly students: readonly DemoStudent[];
  readonly others: readonly SimulatedDemoStudent[];
}

export const DEMO_CLUB: DemoClub = {
  name: "Quillhaven Rope Hall",
  timeZone: "Europe/London",
  school: "quick-frontier",
  students: [
    {
      name: "Amara Thistle",
      profile: {
        birthYear: 2011,
        heightMm: 1580,
        dominantHand: "right",
        yearsJumping: 4,
        ropeUse: "crosses-and-doubles",
        ropeKind: "thin cord",
        ropeLengthMm: 2260,
        goals: [{ subject: "leg-over-double", side: "right" }],
      },
      strongerSide: "right",
      weeks: 12,
      lessonsAWeek: 2,
      lastSeenDays: 2,
      record:
        "basic-bounce 120; run-step 60; single-leg-hop r44 l38; boxer-step 40; side-straddle 32; side-swing r30 l26; cross r28 l22; double-side-swing r18 l14; backward-bounce 34; double-under 46; held-cross r20 l17; side-swing-cross r9 l6; leg-over-cross r17 l15; side-swing-double r19 l16; cross-open-double r8 l5; open-cross-double r6 l3; side-side-open r2 l1",
    },
    {
      name: "Dag Ellerby",
      profile: { goals: [{ subject: FIRST_PROGRAMME, side: "whole" }] },
      strongerSide: "right",
      weeks: 2,
      lessonsAWeek: 1,
      lastSeenDays: 3,
      record: "basic-bounce 9",
    },
    {
      name: "Hana Petrivale",
      profile: {
        birthYear: 2013,
        heightMm: 1520,
        dominantHand: "right",
        yearsJumping: 1,
        ropeKind: "beaded",
        ropeLengthMm: 2300,
        homeStep: "boxer-step",
        goals: [{ subject: "open-cross-double", side: "right" }],
      },
      strongerSide: "right",
      weeks: 8,
      lessonsAWeek: 2,
      lastSeenDays: 1,
      record:
        "basic-bounce 64; run-step 31; single-leg-hop r22 l20; boxer-step 18; side-swing r16 l12; cross r21 l12; double-under 11",
    },
    {
      name: "Ines Varga-Holt",
      profile: {
        birthYear: 2010,
        heightMm: 1640,
        dominantHand: "left",
        yearsJumping: 2,
        ropeUse: "crosses-and-doubles",
        goals: [{ subject: "side-cross-open", side: "left" }],
      },
      strongerSide: "left",
      weeks: 10,
      lessonsAWeek: 2,
      lastSeenDays: 2,
      record:
        "basic-bounce 90; run-step 42; boxer-step 30; side-swing l22 r18; cross l19 r16; backward-bounce 26; double-under 23; leg-over-cross l16 r7; side-swing-cross l5 r2; open-cross-double l3",
    },
    {
      name: "Jonas Quist",
      strongerSide: "right",
      weeks: 5,
      lessonsAWeek: 1,
      lastSeenDays: 5,
      record: "basic-bounce 38; side-straddle 21; single-leg-hop r20 l9; side-swing r10 l4",
    },
    {
      name: "Kofi Marrow",
      strongerSide: "right",
      weeks: 7,
      lessonsAWeek: 1,
      lastSeenDays: 19,
      record:
        "basic-bounce 55; run-step 24; boxer-step 17; side-swing r14 l11; double-side-swing r6 l3; cross r8",
    },
    {
      name: "Leo Sandoval-Wren",
      strongerSide: "left",
      weeks: 4,
      lessonsAWeek: 2,
      lastSeenDays: 1,
      record: "basic-bounce 27; run-step 13; side-swing l7 r5",
    },
    {
      name: "Oskar Fennel",
      profile: {
        birthYear: 2009,
        heightMm: 1710,
        dominantHand: "right",
        yearsJumping: 2,
        goals: [{ subject: "quadruple-under", side: "whole" }],
        notes: "Comes straight from swimming; starts tired.",
      },
      strongerSide: "right",
      weeks: 9,
      lessonsAWeek: 2,
      lastSeenDays: 2,
      record:
        "basic-bounce 71; single-leg-hop r26 l24; boxer-step 33; side-straddle 19; cross r17 l15; held-cross r11 l8; double-under 18; cross-open-double r2",
    },
    {
      name: "Priya Mossman",
      strongerSide: "right",
      weeks: 3,
      lessonsAWeek: 1,
      lastSeenDays: 4,
      record: "basic-bounce 22; side-straddle 8; side-swing r3",
    },
    {
      name: "Ruta Lindqvaal",
      plateau: { subject: "cross", lessons: 3 },
      strongerSide: "left",
      weeks: 6,
      lessonsAWeek: 1,
      lastSeenDays: 6,
      record:
        "basic-bounce 48; run-step 20; boxer-step 12; backward-bounce 14; side-swing l12 r10; cross l11 r6",
    },
    {
      name: "Temi Adewood",
      strongerSide: "right",
      weeks: 1,
      lessonsAWeek: 1,
      lastSeenDays: 0,
      record: "",
    },
  ],
  others: [
    { name: "Anton Breckfield", seed: 101, level: 0.02, weeks: 12, lessonsAWeek: 1, lastSeenDays: 4 },
    { name: "Bram Oakhollow", seed: 102, level: 0.08, weeks: 12, lessonsAWeek: 2, lastSeenDays: 2 },
    { name: "Caspian Rookley", seed: 103, level: 0.03, weeks: 11, lessonsAWeek: 1, lastSeenDays: 4 },
    { name: "Elif Starling", seed: 104, level: 0.22, weeks: 12, lessonsAWeek: 2, lastSeenDays: 2 },
    { name: "Fenna Orchardson", seed: 105, level: 0.05, weeks: 9, lessonsAWeek: 1, lastSeenDays: 4 },
    { name: "Mirela Dunmoor", seed: 106, level: 0.15, weeks: 12, lessonsAWeek: 2, lastSeenDays: 2 },
    { name: "Noor Tamsin-Vale", seed: 107, level: 0.3, weeks: 12, lessonsAWeek: 2, lastSeenDays: 2 },
    { name: "Ravi Thornbury", seed: 108, level: 0.01, weeks: 6, lessonsAWeek: 1, lastSeenDays: 4 },
    { name: "Suki Marchbank", seed: 109, level: 0.1, weeks: 10, lessonsAWeek: 2, lastSeenDays: 1 },
    { name: "Tove Ashgrove", seed: 110, level: 0.06, weeks: 12, lessonsAWeek: 1, lastSeenDays: 4 },
    { name: "Wilder Kestrelby", seed: 111, level: 0.12, weeks: 8, lessonsAWeek: 2, lastSeenDays: 16 },
    { name: "Yusuf Calderwick", seed: 112, level: 0.04, weeks: 12, lessonsAWeek: 1, lastSeenDays: 4 },
    { name: "Zola Penhurst", seed: 113, level: 0.18, weeks: 12, lessonsAWeek: 2, lastSeenDays: 1 },
  ],
};

export interface DemoGroup {
  readonly name: string;
  /** Null for the day on which the demo is loaded: there is always a class to hold. */
  readonly weekday: number | null;
  readonly startTime: string;
  readonly place: string;
  readonly members: readonly string[];
}

export const DEMO_GROUPS: readonly DemoGroup[] = [
  {
    name: "Beginners",
    weekday: 1,
    startTime: "16:30",
    place: "Small hall",
    members: [
      "Dag Ellerby",
      "Leo Sandoval-Wren",
      "Priya Mossman",
      "Temi Adewood",
      "Jonas Quist",
      "Anton Breckfield",
      "Caspian Rookley",
      "Fenna Orchardson",
      "Ravi Thornbury",
      "Tove Ashgrove",
      "Yusuf Calderwick",
    ],
  },
  {
    name: "Second year",
    weekday: null,
    startTime: "17:30",
    place: "Main hall",
    members: [
      "Hana Petrivale",
      "Kofi Marrow",
      "Ruta Lindqvaal",
      "Oskar Fennel",
      "Jonas Quist",
      "Bram Oakhollow",
      "Elif Starling",
      "Mirela Dunmoor",
      "Noor Tamsin-Vale",
      "Suki Marchbank",
      "Wilder Kestrelby",
      "Zola Penhurst",
    ],
  },
  {
    name: "Show team",
    weekday: 5,
    startTime: "18:00",
    place: "Main hall",
    members: ["Amara Thistle", "Ines Varga-Holt", "Hana Petrivale", "Oskar Fennel"],
  },
];

/** The demo club's accounts. They and their password exist in the demo alone. */
export const DEMO_PASSWORD = "quillhaven demo";

export const DEMO_PEOPLE: readonly { readonly name: string; readonly email: string; readonly role: Role }[] =
  [
    { name: "Orla Winterset", email: "owner@quillhaven.example", role: "owner" },
    { name: "Bram Okonjo-Vale", email: "coach@quillhaven.example", role: "coach" },
    { name: "Sanne Pell", email: "viewer@quillhaven.example", role: "viewer" },
  ];

import { FAULT_CODES } from "@mirrup/core";
import type { BehindSide, Odds, PracticeDay, WeekLoad } from "@mirrup/core/teaching";
import Joi from "joi";
import {
  REFITTED_NUMBERS,
  REFITTED_TABLES,
  type ArchiveReply,
  type ClassPeriodQuery,
  type ClassProgressView,
  type ClearedSide,
  type PeriodQuery,
  type ProgressView,
  type RefittedNumber,
  type RefitView,
  type SideProgressView,
  type StudentProgress,
} from "./progress.js";
import { chance, gate, instant, localDay, objects, side, subject, uuid, whole } from "./schema-parts.js";

export const periodQuery = objects<PeriodQuery>({ from: localDay(), to: localDay() });

const counted = () => Joi.number().integer().min(0).required();
const counts = () => Joi.object().pattern(Joi.string(), Joi.number().integer().min(0)).required();

const odds = objects<Odds>({ sets: counted(), said: Joi.number().min(0).required(), came: counted() });

export const practiceDay = objects<PracticeDay>({
  day: localDay().required(),
  subject: subject().required(),
  side: side().required(),
  sets: counted(),
  clean: counted(),
  missed: counted(),
  wholeClean: counted(),
  wholeMissed: counted(),
  bestStreak: counted(),
  aloneClean: counted(),
  aloneMissed: counted(),
  faults: counts(),
  kinds: counts(),
  odds: Joi.object().pattern(Joi.string(), odds).required(),
});

const weekLoad = objects<WeekLoad>({
  weekStart: localDay().required(),
  landings: Joi.number().required(),
  estimated: Joi.number().required(),
  allowance: Joi.number().allow(null).required(),
});

export const clearedSide = objects<ClearedSide>({
  subject: subject().required(),
  side: side().required(),
  day: localDay().required(),
  by: Joi.valid("gate", "hand", "placed").required(),
});

const progress = {
  from: localDay().required(),
  to: localDay().required(),
  days: Joi.array().items(practiceDay).required(),
  weeks: Joi.array().items(weekLoad).required(),
  cleared: Joi.array().items(clearedSide).required(),
};
export const progressReply = objects<ProgressView>(progress).required();

export const classPeriodQuery = objects<ClassPeriodQuery>({
  from: localDay(),
  to: localDay(),
  group: uuid(),
});
const sides = () =>
  Joi.array()
    .items(Joi.object({ subject: subject().required(), side: side().required() }))
    .required();
const student = objects<StudentProgress>({
  studentId: uuid().required(),
  name: Joi.string().required(),
  lastAt: instant().allow(null).required(),
  isAway: Joi.boolean().required(),
  standsStill: Joi.boolean().required(),
  stuck: sides(),
  behind: objects<BehindSide>({
    subject: subject().required(),
    weaker: Joi.valid("left", "right").required(),
    chance: chance().required(),
    other: chance().required(),
  })
    .allow(null)
    .required(),
  days: counted(),
  clean: counted(),
  missed: counted(),
  landings: Joi.number().min(0).required(),
  cleared: Joi.array().items(clearedSide).required(),
  came: counted(),
  missing: counted(),
  heldUpBy: sides(),
});
export const classProgressReply = objects<ClassProgressView>({
  ...progress,
  students: Joi.array().items(student).required(),
}).required();

export const refitReply = objects<RefitView>({
  version: counted(),
  at: instant().allow(null).required(),
  sets: counted(),
  changed: Joi.array()
    .items(
      objects<RefittedNumber>({
        of: Joi.valid(...REFITTED_TABLES, ...REFITTED_NUMBERS).required(),
        key: Joi.string().allow("").required(),
        from: Joi.number().required(),
        to: Joi.number().required(),
      }),
    )
    .required(),
}).required();

/** A file, and no answer of fields. */
export const savedArchive = Joi.binary();
export const archiveReply = objects<ArchiveReply>({
  students: whole().required(),
  sets: Joi.number().integer().min(0).required(),
}).required();

export const sideProgressReply = objects<SideProgressView>({
  gate: gate.required(),
  chances: Joi.array()
    .items(Joi.object({ at: instant().required(), chance: chance().required() }))
    .required(),
  rhythms: Joi.array()
    .items(
      Joi.object({
        at: instant().required(),
        evenness: Joi.number().min(0).max(100).required(),
        tempo: Joi.number().positive().required(),
      }),
    )
    .required(),
  misses: Joi.array()
    .items(
      Joi.object({
        turn: Joi.number().integer().min(1),
        fault: Joi.string().valid(...FAULT_CODES),
        count: Joi.number().integer().min(1),
      }),
    )
    .required(),
}).required();

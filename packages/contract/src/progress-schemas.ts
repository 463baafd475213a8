import { FAULT_CODES } from "@mirrup/core";
import type { PracticeDay, WeekLoad } from "@mirrup/core/teaching";
import Joi from "joi";
import type { ArchiveReply, ClearedSide, PeriodQuery, ProgressView, SideProgressView } from "./progress.js";
import { chance, gate, instant, localDay, objects, side, subject, whole } from "./schema-parts.js";

export const periodQuery = objects<PeriodQuery>({ from: localDay(), to: localDay() });

const counted = () => Joi.number().integer().min(0).required();
const counts = () => Joi.object().pattern(Joi.string(), Joi.number().integer().min(0)).required();

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
  saidSets: counted(),
  said: Joi.number().min(0).required(),
  came: counted(),
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

export const progressReply = objects<ProgressView>({
  from: localDay().required(),
  to: localDay().required(),
  days: Joi.array().items(practiceDay).required(),
  weeks: Joi.array().items(weekLoad).required(),
  cleared: Joi.array().items(clearedSide).required(),
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

/** A set as it is sent, by whoever counted it. */
import { COUNTED_BY, FAULT_CODES, missCount, type Miss } from "@mirrup/core";
import Joi from "joi";
import type { HomeSet } from "./home.js";
import { MOST_TAPS, type SetRequest } from "./sets.js";
import { chance, instant, loggedDrill, note, objects, side, subject, uuid, whole } from "./schema-parts.js";

/** Nobody jumps more in one set; what is worked out of a set takes as long as its tries are many. */
const MOST_TRIES = 20_000;

const miss = Joi.object<Miss>({
  position: whole().min(1),
  fault: Joi.string().valid(...FAULT_CODES),
  turn: whole().min(1),
  count: whole().min(1),
}).oxor("position", "count");

const isAscending = (times: readonly number[]) => times.every((at, place) => at >= (times[place - 1] ?? 0));
const ticks = Joi.array()
  .items(Joi.number().min(0).max(86_400))
  .max(MOST_TAPS)
  .custom((times: readonly number[], helpers) =>
    isAscending(times) ? times : helpers.message({ custom: "{{#label}} must be in the order of time" }),
  );

/** What is said of every set, whoever counted it. */
const counted = {
  id: uuid().required(),
  subject: subject().required(),
  side: side().required(),
  drill: loggedDrill,
  clean: whole().required(),
  misses: Joi.array().items(miss).max(10_000).required(),
  bestStreak: whole().required(),
  seconds: Joi.number().min(0).max(86_400),
  ticks,
  at: instant().required(),
};
const withinTries = (set: HomeSet, helpers: Joi.CustomHelpers) =>
  set.clean + missCount(set.misses) <= MOST_TRIES
    ? set
    : helpers.message({ custom: `A set has at most ${MOST_TRIES} tries` });

export const setRequest = objects<SetRequest>({
  ...counted,
  studentId: uuid().required(),
  said: chance(),
  countedBy: Joi.string()
    .valid(...COUNTED_BY)
    .required(),
}).custom(withinTries);

export const homeSet = objects<HomeSet>(counted).custom(withinTries);

export const setView = (setRequest as Joi.ObjectSchema).keys({ note: note().required() });

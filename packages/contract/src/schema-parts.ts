/** What the schemas of the contract are made of. */
import {
  CAUTION_CODES,
  DRILL_KINDS,
  SIDE_NAMES,
  type Drill,
  type Gate,
  type LoggedDrill,
} from "@mirrup/core";
import Joi from "joi";
import { LONGEST_NOTE } from "./index.js";

export const uuid = () =>
  Joi.string().pattern(/^[\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12}$/, "id of 32 digits in five groups");
export const whole = () => Joi.number().integer().min(0).max(100_000);
/** The years of which anything can be said. */
const YEARS = { first: 1900, last: 2199 } as const;
const isWithinYears = (at: Date) => at.getUTCFullYear() >= YEARS.first && at.getUTCFullYear() <= YEARS.last;
/** What some clock says, however wrong it is. */
export const clock = () => Joi.string().isoDate();
export const instant = () =>
  Joi.string()
    .isoDate()
    .custom((value: string, helpers) =>
      // What is no date at all is said by itself.
      Number.isNaN(Date.parse(value)) || isWithinYears(new Date(value))
        ? value
        : helpers.message({ custom: `{{#label}} must be between ${YEARS.first} and ${YEARS.last}` }),
    );
export const side = () => Joi.string().valid(...SIDE_NAMES);
export const subject = () => Joi.string().min(1).max(120);
export const chance = () => Joi.number().min(0).max(1);
export const items = (item: Joi.Schema) =>
  Joi.object({ items: Joi.array().items(item).required() }).required();
/** An object schema that names every key of its type, so that a new key is not forgotten here. */
export const objects = <T extends object>(keys: { readonly [K in keyof Required<T>]: Joi.Schema }) =>
  Joi.object<T>(keys);

/** A calendar day that there is: 30 February is refused. */
export const localDay = () =>
  Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/, "day such as 2026-06-01")
    .custom((value: string, helpers) => {
      const day = new Date(`${value}T00:00:00Z`);
      const isDay = !Number.isNaN(day.getTime()) && isWithinYears(day) && day.toISOString().startsWith(value);
      return isDay ? value : helpers.message({ custom: "{{#label}} is no day of the calendar" });
    });
export const note = () => Joi.string().allow("").max(LONGEST_NOTE);
export const startTime = () => Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, "time such as 17:30");
/** A reason is a code with parameters that depend on it; the core's types say which. */
export const coded = () => Joi.object({ code: Joi.string().required() }).unknown();
export const triesLeft = Joi.object({
  expected: Joi.number().min(0).required(),
  low: Joi.number().min(0).required(),
  high: Joi.number().min(0).required(),
}).required();

const drillKeys = {
  score: Joi.string().max(100_000),
  count: whole().min(1),
  pass: whole().min(1),
  about: Joi.string().max(200),
  top: whole().min(1),
  onMiss: Joi.string().max(40),
  growing: Joi.boolean(),
  seconds: Joi.number().positive().max(86_400),
  spacing: whole().max(64),
  rounds: whole().min(1),
  upTo: whole().min(1),
  tempo: Joi.number().positive().max(1000),
  tempoShare: Joi.number().positive().max(10),
};
/** A drill as some device wrote it: a kind that this version does not know is kept as it was. */
export const loggedDrill = Joi.object<LoggedDrill>({
  kind: Joi.string().min(1).max(40).required(),
  ...drillKeys,
}).required();
export const drill = Joi.object<Drill>({
  kind: Joi.string()
    .valid(...DRILL_KINDS)
    .required(),
  ...drillKeys,
}).required();
export const cautions = () => Joi.array().items(Joi.string().valid(...CAUTION_CODES));

const atLeastOne = () => whole().min(1).required();

const gateOf = (streakKeys: Joi.PartialSchemaMap) =>
  Joi.alternatives<Gate>()
    .try(
      Joi.object({ kind: Joi.valid("streak").required(), count: atLeastOne(), ...streakKeys }),
      Joi.object({ kind: Joi.valid("hold").required(), seconds: atLeastOne() }),
      Joi.object({
        kind: Joi.valid("clean").required(),
        clean: atLeastOne().max(Joi.ref("of")),
        of: atLeastOne(),
      }),
      Joi.object({ kind: Joi.valid("count").required(), count: atLeastOne(), seconds: atLeastOne() }),
    )
    .required();

/** A gate as somebody sets it. */
export const gate = gateOf({});
/** The same as it is in force for a student, who may still grow. */
export const gateInForce = gateOf({ runsUntil: Joi.string().isoDate() });

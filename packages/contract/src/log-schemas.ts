import { MILESTONE_KINDS } from "@mirrup/core/teaching";
import Joi from "joi";
import { jumpMeasure } from "./jump-schemas.js";
import { ATTENDANCES } from "./lessons.js";
import {
  LOG_KINDS,
  LONGEST_LOG_TEXT,
  type AttendedLesson,
  type Became,
  type LogLine,
  type LogPage,
  type LogQuery,
} from "./log.js";
import { instant, objects, side, subject, uuid, whole } from "./schema-parts.js";
import { setView } from "./set-schemas.js";
import { decisionView } from "./teaching-schemas.js";

/** An instant and an id, as a page of the log says where the next one begins. */
const logPlace = Joi.string().pattern(/^\d{4}-\d\d-\d\dT[\d:.]+Z~[\da-f-]{36}$/, "place in the log");

export const logQuery = objects<LogQuery>({
  before: logPlace,
  subject: subject(),
  kind: Joi.valid(...LOG_KINDS),
  text: Joi.string().trim().min(1).max(LONGEST_LOG_TEXT),
});

const became = objects<Became>({
  subject: subject().required(),
  side: side().required(),
  kind: Joi.valid(...MILESTONE_KINDS).required(),
});

const attended = objects<AttendedLesson>({
  id: uuid().required(),
  title: Joi.string().allow("").required(),
  minutes: whole().required(),
  attendance: Joi.valid(...ATTENDANCES.filter((one) => one !== "expected")).required(),
}).required();

const line = (kind: LogLine["kind"], keys: Joi.SchemaMap) =>
  Joi.object({ kind: Joi.valid(kind).required(), at: instant().required(), ...keys });

const logLine = Joi.alternatives<LogLine>().try(
  line("set", {
    set: setView.required(),
    by: Joi.string().allow(null).required(),
    isVoided: Joi.boolean().required(),
    became: Joi.array().items(became).required(),
  }),
  line("decision", { decision: decisionView.required() }),
  line("lesson", { lesson: attended }),
  line("stop", { id: uuid().required() }),
  line("jump", { jump: jumpMeasure.required() }),
);

export const logReply = objects<LogPage>({
  items: Joi.array().items(logLine).required(),
  next: logPlace.allow(null).required(),
}).required();

import { ROUND_ANSWERS } from "@mirrup/core/teaching";
import Joi from "joi";
import type { PresenceLeft, PresenceReply, PresenceRequest, PresenceView, RoundCounted } from "./presence.js";
import { drill, instant, items, objects, side, uuid } from "./schema-parts.js";

/** More than a class has. */
const MOST_STUDENTS = 500;

const place = () => Joi.string().min(1).max(300).required();
const roundAnswer = () =>
  Joi.alternatives().try(Joi.string().valid(...ROUND_ANSWERS), Joi.number().min(0).max(100_000));

const roundCounted = objects<RoundCounted>({
  id: uuid().required(),
  side: side().required(),
  drill,
  startedAt: instant().required(),
  heldFrom: instant().allow(null).required(),
  answers: Joi.object().pattern(uuid(), roundAnswer()).max(MOST_STUDENTS).required(),
  away: Joi.array().items(uuid()).max(MOST_STUDENTS).required(),
})
  .allow(null)
  .required();

export const presenceRequest = objects<PresenceRequest>({
  place: place(),
  tab: uuid().required(),
  turn: uuid().allow(null).required(),
  takesOver: Joi.boolean().required(),
  round: roundCounted,
}).required();

export const presenceLeft = objects<PresenceLeft>({
  place: place(),
  tab: uuid().required(),
  isFinished: Joi.boolean().required(),
}).required();

const presence = objects<PresenceView>({
  place: place(),
  tab: uuid().required(),
  personId: uuid().required(),
  name: Joi.string().required(),
  since: Joi.string().isoDate().required(),
  seenAt: Joi.string().isoDate().required(),
});

export const presencesReply = items(presence);
export const presenceReply = objects<PresenceReply>({
  holder: presence.required(),
  isYours: Joi.boolean().required(),
  turn: uuid().required(),
  round: roundCounted,
  isNews: Joi.boolean().required(),
}).required();

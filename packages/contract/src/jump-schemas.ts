import Joi from "joi";
import { JUMP_LIMITS, JUMP_WAYS, type JumpMeasure, type JumpRequest } from "./jumps.js";
import { instant, items, objects, uuid } from "./schema-parts.js";

const within = ({ least, most }: { readonly least: number; readonly most: number }) =>
  Joi.number().integer().min(least).max(most);

const keys = {
  id: uuid().required(),
  turns: within(JUMP_LIMITS.turns).required(),
  heightMm: within(JUMP_LIMITS.heightMm).required(),
  contactMs: within(JUMP_LIMITS.contactMs).required(),
  landings: within(JUMP_LIMITS.landings).allow(null).required(),
  way: Joi.valid(...JUMP_WAYS).required(),
  measuredAt: instant().required(),
};

export const jumpMeasure = objects<JumpMeasure>(keys);

export const jumpRequest = objects<JumpRequest>({
  ...keys,
  removed: Joi.boolean().required(),
  at: instant(),
}).required();

export const jumpsReply = items(jumpMeasure);

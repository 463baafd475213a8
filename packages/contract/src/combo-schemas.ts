/** The Joi schemas of combos. */
import { COMBO_LIMITS, type ComboPart } from "@mirrup/core/combos";
import { STATUSES } from "@mirrup/core/teaching";
import Joi from "joi";
import {
  MAX_COMBOS,
  type ComboChange,
  type ComboFile,
  type ComboLinkView,
  type CombosRequest,
  type ComboStandingItem,
  type ComboView,
  type NewCombo,
  type SharedCombo,
} from "./combos.js";
import { chance, instant, items, note, objects, side, subject, uuid, whole } from "./schema-parts.js";

const name = () => Joi.string().trim().min(1).max(COMBO_LIMITS.nameLength);

const parts = () =>
  Joi.array()
    .items(
      objects<ComboPart>({
        subject: subject().allow(null).required(),
        side: side().required(),
        score: Joi.string().min(1).max(20_000).required(),
        times: Joi.number().integer().min(1).max(COMBO_LIMITS.times).required(),
      }),
    )
    .max(COMBO_LIMITS.parts)
    .required();

export const combosRequest = objects<CombosRequest>({
  combos: Joi.array()
    .items(
      objects<NewCombo>({
        id: uuid().required(),
        name: name().required(),
        note: note(),
        parts: parts().min(1),
      }),
    )
    .min(1)
    .max(MAX_COMBOS)
    .unique("id")
    .required(),
}).required();

export const comboChange = objects<ComboChange>({
  version: whole().min(1).required(),
  name: name(),
  note: note(),
  isRemoved: Joi.boolean(),
}).required();

const combo = objects<ComboView>({
  id: uuid().required(),
  version: whole().min(1).required(),
  name: Joi.string().required(),
  note: note().required(),
  parts: parts(),
  createdAt: instant().required(),
  linkedAt: instant().allow(null).required(),
  isRemoved: Joi.boolean().required(),
});

export const comboReply = combo.required();
export const combosReply = items(combo);

export const comboLinkReply = objects<ComboLinkView>({
  token: Joi.string().required(),
  combo: combo.required(),
}).required();

export const sharedComboReply = objects<SharedCombo>({
  name: Joi.string().required(),
  studio: Joi.string().required(),
  parts: parts(),
}).required();

export const tokenParam = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{20,100}$/, "link")
  .required();

export const comboStandingsReply = items(
  objects<ComboStandingItem>({
    comboId: uuid().required(),
    side: side().required(),
    status: Joi.string()
      .valid(...STATUSES)
      .required(),
    cleanChance: chance().required(),
    gateBest: whole().required(),
    bestStreak: whole().required(),
    reviewDue: Joi.string().allow(null).required(),
  }),
);

/** What a combo's file holds; the score is read anew, and judged as if it had been typed. */
export const comboFile = objects<ComboFile>({
  format: Joi.valid("mirrup-combo").required(),
  version: Joi.valid(1).required(),
  name: name().required(),
  note: note(),
  score: Joi.string().min(1).max(100_000).required(),
}).required();

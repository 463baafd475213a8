import { FAULT_CODES, SKILL_CLASSES, type OverlayEntry } from "@mirrup/core";
import Joi from "joi";
import {
  MOST_OWN_SKILLS,
  OWN_SKILL_LIMITS,
  type CatalogueView,
  type EditionView,
  type SkillChange,
  type SkillChanges,
} from "./own-skills.js";
import { gate, instant, items, objects, subject, whole } from "./schema-parts.js";

const { name, others, cues, cue, look, needs, score } = OWN_SKILL_LIMITS;
const words = (longest: number) => Joi.string().trim().min(1).max(longest);

const ownCues = () => Joi.array().items(words(cue)).min(2).max(cues);

const ownSkill = Joi.object({
  kind: Joi.valid("own").required(),
  strand: Joi.string().max(60).required(),
  name: words(name).required(),
  also: Joi.array().items(words(name)).max(others),
  sides: Joi.valid("one", "two").required(),
  score: Joi.string().max(score).allow(null).required(),
  needs: Joi.string().allow("").max(needs).required(),
  class: Joi.valid(...SKILL_CLASSES).required(),
  cues: ownCues().required(),
  faults: Joi.array()
    .items(Joi.valid(...FAULT_CODES))
    .max(FAULT_CODES.length)
    .required(),
  look: Joi.string().allow("").max(look).required(),
  gate: gate.optional(),
});
const changedSkill = Joi.object({
  kind: Joi.valid("changed").required(),
  name: words(name),
  needs: Joi.string().allow("").max(needs),
  cues: ownCues(),
  look: Joi.string().allow("").max(look),
  gate: gate.optional(),
});
export const overlayEntry = Joi.alternatives<OverlayEntry>().try(ownSkill, changedSkill);

export const skillChanges = objects<SkillChanges>({
  changes: Joi.array()
    .items(
      objects<SkillChange>({
        subject: subject().required(),
        was: overlayEntry.allow(null).required(),
        is: overlayEntry.allow(null).required(),
      }),
    )
    .min(1)
    .max(MOST_OWN_SKILLS)
    .unique("subject")
    .required(),
}).required();
export const editionParam = whole().min(1).required().prefs({ convert: true });

export const catalogueReply = objects<CatalogueView>({
  edition: whole().required(),
  entries: Joi.object().pattern(subject(), overlayEntry).required(),
  leftOut: Joi.array()
    .items(Joi.object({ skill: Joi.string().required(), message: Joi.string().required() }))
    .required(),
});

export const editionsReply = items(
  objects<EditionView>({
    edition: whole().required(),
    subjects: Joi.array().items(subject()).required(),
    at: instant().required(),
    by: Joi.string().allow(null).required(),
  }),
);

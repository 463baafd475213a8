import {
  DRILL_KINDS,
  FAULT_CODES,
  HAND_KINDS,
  HAND_LADDER_LIMITS,
  ITEM_SIDES,
  NO_PART,
  type HandDrill,
  PROGRAMME_LIMITS,
  programmeSubject,
  SKILL_CLASSES,
  type OverlayEntry,
  SCHOOL_IDS,
  type OwnProgramme,
  type OwnSchool,
  type ProgrammeHeading,
  type ProgrammeItem,
} from "@mirrup/core";
import Joi from "joi";
import {
  MOST_OWN_SKILLS,
  OWN_SKILL_LIMITS,
  type CatalogueView,
  type CatchingUpView,
  type EditionView,
  type ProgrammeProgress,
  type SkillPreviewItem,
  type SkillPreviewRequest,
  type SkillsFile,
  type ProgrammeProgressQuery,
  type SkillChange,
  type SkillChanges,
} from "./own-skills.js";
import type { ItemProgress, ItemSideProgress } from "@mirrup/core/teaching";
import { subjectSide } from "./teaching-schemas.js";
import { MAX_PREVIEW } from "./teaching.js";
import { gate, instant, items, localDay, objects, side, subject, uuid, whole } from "./schema-parts.js";

const { name, others, cues, cue, look, needs, score, note } = OWN_SKILL_LIMITS;
const words = (longest: number) => Joi.string().trim().min(1).max(longest);

const ownFaults = () =>
  Joi.array()
    .items(Joi.valid(...FAULT_CODES))
    .max(FAULT_CODES.length)
    .unique();
const ownCues = () => Joi.array().items(words(cue)).min(2).max(cues);

/** Where it stands, what is said of it, what clears it, and whether it is taught. */
const ownWayKeys = {
  also: Joi.array().items(words(name)).max(others),
  after: subject(),
  note: words(note),
  gate: gate.optional(),
  gates: Joi.object(Object.fromEntries(SCHOOL_IDS.map((one) => [one, gate.optional()]))).min(1),
  isHidden: Joi.valid(true),
  drills: Joi.array()
    .items(
      Joi.object({
        kind: Joi.valid(...DRILL_KINDS).required(),
        say: words(cue),
        look: words(look),
      }).or("say", "look"),
    )
    .min(1)
    .unique("kind"),
};

const ownSkill = Joi.object({
  kind: Joi.valid("own").required(),
  strand: Joi.string().max(60).required(),
  name: words(name).required(),
  sides: Joi.valid("one", "two").required(),
  score: Joi.string().max(score).allow(null).required(),
  needs: Joi.string().allow("").max(needs).required(),
  class: Joi.valid(...SKILL_CLASSES).required(),
  cues: ownCues().required(),
  faults: ownFaults().required(),
  look: Joi.string().allow("").max(look).required(),
  ladder: Joi.array()
    .items(
      objects<HandDrill>({
        kind: Joi.valid(...HAND_KINDS).required(),
        count: whole().min(1).max(HAND_LADDER_LIMITS.count),
        part: words(HAND_LADDER_LIMITS.part).pattern(NO_PART, { name: "parentheses", invert: true }),
      }),
    )
    .min(1)
    .max(HAND_LADDER_LIMITS.drills),
  ...ownWayKeys,
});
const changedSkill = Joi.object({
  kind: Joi.valid("changed").required(),
  strand: Joi.string().max(60),
  name: words(name),
  faults: ownFaults(),
  needs: Joi.string().allow("").max(needs),
  cues: ownCues(),
  look: Joi.string().allow("").max(look),
  ...ownWayKeys,
});
const ownSchool = objects<OwnSchool>({
  kind: Joi.valid("school").required(),
  classes: Joi.object(Object.fromEntries(SKILL_CLASSES.map((one) => [one, gate.optional()]))).required(),
});

const programmeKey = () =>
  Joi.string().custom((value: string, helpers) =>
    programmeSubject(value)?.item === null
      ? value
      : helpers.message({ custom: "{{#label}} must name a programme" }),
  );

const programme = objects<OwnProgramme>({
  kind: Joi.valid("programme").required(),
  name: words(PROGRAMME_LIMITS.name).required(),
  headings: Joi.array()
    .items(
      objects<ProgrammeHeading>({
        title: Joi.string().trim().allow("").max(PROGRAMME_LIMITS.title).required(),
        items: Joi.array()
          .items(
            objects<ProgrammeItem>({
              skill: subject().required(),
              side: Joi.valid(...ITEM_SIDES).required(),
              ask: Joi.alternatives()
                .try(Joi.object({ kind: Joi.valid("gate", "shown").required() }), gate)
                .required(),
              how: words(PROGRAMME_LIMITS.how),
            }),
          )
          .max(PROGRAMME_LIMITS.items)
          .required(),
      }),
    )
    .max(PROGRAMME_LIMITS.headings)
    .required(),
  order: Joi.valid("fixed", "free").required(),
  before: programmeKey().allow(null).required(),
  allBut: whole().max(PROGRAMME_LIMITS.items).required(),
  isEnded: Joi.valid(true),
});
/** By its kind, so that what is wrong is told of that kind. */
export const overlayEntry: Joi.AlternativesSchema<OverlayEntry> =
  Joi.alternatives<OverlayEntry>().conditional(".kind", {
    switch: [
      { is: "own", then: ownSkill },
      { is: "programme", then: programme },
      { is: "school", then: ownSchool, otherwise: changedSkill },
    ],
  });

/** Published as docs/skills.schema.json. */
export const skillsFile = objects<SkillsFile>({
  format: Joi.valid("mirrup-skills").required(),
  version: Joi.valid(1).required(),
  entries: Joi.object().pattern(subject(), overlayEntry).max(MOST_OWN_SKILLS).required(),
}).required();

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

const progress = objects<ProgrammeProgress>({
  studentId: uuid().required(),
  name: Joi.string().required(),
  items: Joi.array()
    .items(
      objects<ItemProgress>({
        key: Joi.string().required(),
        sides: Joi.array()
          .items(
            objects<ItemSideProgress>({
              side: side().required(),
              by: Joi.valid("record", "known", "hand").allow(null).required(),
              on: localDay().allow(null).required(),
            }),
          )
          .required(),
        isDone: Joi.boolean().required(),
      }),
    )
    .required(),
  done: whole().required(),
  asked: whole().required(),
  isEnough: Joi.boolean().required(),
  finishedOn: localDay().allow(null).required(),
  hasFinishedBefore: Joi.boolean().required(),
});
export const programmeProgressReply = items(progress);
export const programmeParam = programmeKey().required();
export const programmeProgressQuery = objects<ProgrammeProgressQuery>({ group: uuid(), student: uuid() });

const sides = () => Joi.array().items(subjectSide).required();

export const skillPreviewRequest = objects<SkillPreviewRequest>({
  changes: Joi.array()
    .items(Joi.object({ subject: subject().required(), is: overlayEntry.allow(null).required() }))
    .min(1)
    .max(MOST_OWN_SKILLS)
    .unique("subject")
    .required(),
  students: Joi.array().items(uuid()).min(1).max(MAX_PREVIEW).unique().required(),
}).required();
export const skillPreviewReply = items(
  objects<SkillPreviewItem>({
    studentId: uuid().required(),
    name: Joi.string().required(),
    clears: sides(),
    reopens: sides(),
    locks: sides(),
    opens: sides(),
    hides: sides(),
  }),
);

export const editionParam = whole().min(1).required().prefs({ convert: true });

export const catalogueReply = objects<CatalogueView>({
  edition: whole().required(),
  entries: Joi.object().pattern(subject(), overlayEntry).required(),
  leftOut: Joi.array()
    .items(Joi.object({ skill: Joi.string().required(), message: Joi.string().required() }))
    .required(),
});

export const catchingUpReply = objects<CatchingUpView>({
  students: whole().required(),
  behind: whole().required(),
});

export const editionsReply = items(
  objects<EditionView>({
    edition: whole().required(),
    subjects: Joi.array().items(subject()).required(),
    at: instant().required(),
    by: Joi.string().allow(null).required(),
  }),
);

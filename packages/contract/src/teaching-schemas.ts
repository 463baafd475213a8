/** The Joi schemas of students' records, groups, decisions and a studio's way of teaching. */
import { SETTINGS, type SettingValues } from "@mirrup/catalogue";
import { CAUTION_CODES, PLACEMENT_ANSWERS, ROPE_USES, SCHOOL_IDS, type SubjectSide } from "@mirrup/core";
import { STATUSES, type Goal } from "@mirrup/core/teaching";
import Joi from "joi";
import {
  chance,
  clock,
  gate,
  gateInForce,
  instant,
  items,
  objects,
  side,
  startTime,
  subject,
  triesLeft,
  uuid,
  whole,
} from "./schema-parts.js";
import {
  DECISION_KINDS,
  HOME_STEPS,
  LONGEST_NAME,
  MAX_IMPORT,
  MAX_PREVIEW,
  type DecisionRequest,
  type DecisionsReply,
  type DecisionsRequest,
  type DecisionView,
  type GridView,
  type GroupChange,
  type GroupView,
  type ImportReply,
  type ImportRequest,
  type LoggedDecision,
  type NewGroup,
  type NewStudent,
  type PathChoiceItem,
  type PathStepItem,
  type PathView,
  type PreviewItem,
  type PreviewRequest,
  type SchoolReading,
  type StudentChange,
  type StudentDetail,
  type StudentProfile,
  type StudioChange,
} from "./teaching.js";

const MAX_BATCH = 500;
const name = () => Joi.string().pattern(/\S/).max(LONGEST_NAME);
const school = () => Joi.string().valid(...SCHOOL_IDS);
const hand = () => Joi.string().valid("left", "right");
/** A number in a range, refused with the range in words. */
const between = (low: number, high: number, sentence: string) =>
  Joi.number().min(low).max(high).messages({ "number.min": sentence, "number.max": sentence });

export const goal = objects<Goal>({
  subject: subject().required(),
  side: Joi.string().valid("left", "right", "whole", "both").required(),
});

/** One key for each setting of the catalogue, with its options. */
export const settingValues = Joi.object<SettingValues>(
  Object.fromEntries(
    SETTINGS.map(({ id, options }) => [id, Joi.string().valid(...options.map((option) => option.id))]),
  ),
);

const profileKeys: { readonly [K in keyof StudentProfile]-?: Joi.Schema } = {
  name: name(),
  birthYear: between(1900, 2200, "{{#label}} is a year such as 2014").integer().allow(null),
  yearsJumping: between(0, 80, "{{#label}} is a number of years from 0 to 80").allow(null),
  heightMm: between(600, 2400, "{{#label}} is between 60 and 240 cm (24 and 94 in)").integer().allow(null),
  dominantHand: hand().allow(null),
  strongerSide: hand().allow(null),
  ropeKind: Joi.string().pattern(/\S/).max(60).allow(null),
  ropeLengthMm: between(1000, 5000, "{{#label}} is between 100 and 500 cm (39 and 197 in)")
    .integer()
    .allow(null),
  ropeUse: Joi.string().valid(...ROPE_USES),
  homeStep: Joi.string()
    .valid(...HOME_STEPS)
    .allow(null),
  goals: Joi.array().items(goal).max(20).unique(),
  school: school().allow(null),
  settings: settingValues,
  notes: Joi.string().allow("").max(4000),
  cautions: Joi.array()
    .items(Joi.string().valid(...CAUTION_CODES))
    .unique(),
};

const required = (keys: Readonly<Record<string, Joi.Schema>>) =>
  Object.fromEntries(Object.entries(keys).map(([key, schema]) => [key, schema.required()]));
const groupIds = () => Joi.array().items(uuid()).max(200).unique();

export const studentProfile = Joi.object<StudentProfile>(required(profileKeys)).required();
export const newStudent = Joi.object<NewStudent>({
  ...profileKeys,
  id: uuid(),
  name: name().required(),
  groups: groupIds(),
}).required();
export const studentChange = Joi.object<StudentChange>({
  ...profileKeys,
  version: whole().min(1).required(),
  archived: Joi.boolean(),
  groups: groupIds(),
  keepCleared: Joi.boolean(),
}).required();
export const studentDetail = Joi.object<StudentDetail>({
  ...required(profileKeys),
  id: uuid().required(),
  version: whole().required(),
  archived: Joi.boolean().required(),
  sameAs: uuid().allow(null).required(),
  groups: groupIds().required(),
  gates: Joi.object().pattern(subject(), gate).required(),
});
export const studentDetails = items(studentDetail);

export const importRequest = objects<ImportRequest>({
  students: Joi.array()
    .items(
      Joi.object({
        ...profileKeys,
        id: uuid(),
        name: name().required(),
        groups: Joi.array().items(name()).max(50),
      }),
    )
    .min(1)
    .max(MAX_IMPORT)
    .required(),
}).required();
export const importReply = objects<ImportReply>({
  students: whole().required(),
  groups: whole().required(),
});

const groupKeys = {
  name: name(),
  weekday: Joi.number().integer().min(1).max(7).allow(null),
  startTime: startTime().allow(null),
  place: Joi.string().allow("").max(120),
  members: Joi.array().items(uuid()).max(2000).unique(),
};
export const newGroup = Joi.object<NewGroup>({
  ...groupKeys,
  id: uuid(),
  name: name().required(),
}).required();
export const groupChange = Joi.object<GroupChange>({
  ...groupKeys,
  version: whole().min(1).required(),
  archived: Joi.boolean(),
}).required();
export const groupReply = Joi.object<GroupView>({
  ...required(groupKeys),
  id: uuid().required(),
  version: whole().required(),
  archived: Joi.boolean().required(),
});
export const groupsReply = items(groupReply);

const decision = Joi.object<LoggedDecision>({
  kind: Joi.string()
    .valid(...DECISION_KINDS)
    .required(),
  count: Joi.when("kind", {
    is: "clear",
    then: whole().min(1).allow(null).required(),
    otherwise: Joi.forbidden(),
  }),
  answer: Joi.when("kind", {
    is: "place",
    then: Joi.string()
      .valid(...PLACEMENT_ANSWERS)
      .required(),
    otherwise: Joi.forbidden(),
  }),
  seen: Joi.when("kind", { is: "place", then: Joi.boolean().required(), otherwise: Joi.forbidden() }),
  gate: Joi.when("kind", { is: "override", then: gate.allow(null), otherwise: Joi.forbidden() }),
  target: Joi.when("kind", {
    is: Joi.valid("void", "accept"),
    then: uuid().required(),
    otherwise: Joi.forbidden(),
  }),
}).required();

const decisionKeys = {
  id: uuid().required(),
  subject: subject().required(),
  side: side().required(),
  decision,
  reason: Joi.string().allow("").max(500).required(),
  at: instant().required(),
};
const decisionRequest = Joi.object<DecisionRequest>({ ...decisionKeys, studentId: uuid().required() });
export const decisionsRequest = objects<DecisionsRequest>({
  decisions: Joi.array().items(decisionRequest).min(1).max(MAX_BATCH).required(),
  sentAt: clock(),
}).required();
export const decisionView = Joi.object<DecisionView>({
  ...decisionKeys,
  by: Joi.string().allow(null).required(),
  isVoided: Joi.boolean().required(),
});
export const decisionsView = items(decisionView);

const status = () =>
  Joi.string()
    .valid(...STATUSES)
    .required();
const sideKeys = { subject: subject().required(), side: side().required() };
export const subjectSide = Joi.object<SubjectSide>(sideKeys);
export const changeKeys = {
  studentId: uuid().required(),
  ...sideKeys,
  from: status(),
  to: status(),
  bestStreak: whole().required(),
  cleanChance: chance().required(),
  gate: gateInForce,
  gateBest: whole().required(),
};
export const openedKeys = { studentId: uuid().required(), ...sideKeys };

export const decisionsReply = objects<DecisionsReply>({
  stored: Joi.array().items(uuid()).required(),
  alreadyStored: Joi.array().items(uuid()).required(),
  changes: Joi.array().items(Joi.object(changeKeys)).required(),
  opened: Joi.array().items(Joi.object(openedKeys)).required(),
});

export const pathReply = objects<PathView>({
  goals: Joi.array().items(goal).required(),
  steps: Joi.array()
    .items(Joi.object<PathStepItem>({ ...sideKeys, gate: gateInForce, status: status(), tries: triesLeft }))
    .required(),
  choices: Joi.array()
    .items(
      Joi.object<PathChoiceItem>({
        ...sideKeys,
        taken: Joi.array().items(subjectSide).required(),
        passed: Joi.array().items(Joi.array().items(subjectSide)).required(),
      }),
    )
    .required(),
  tries: triesLeft,
});

/** Goals as an address carries them: `cross:left`, one or several. */
export const goalsAsked = () =>
  Joi.array()
    .items(Joi.string().pattern(/^[a-z0-9:#-]+:(left|right|whole|both)$/, "goal such as cross:left"))
    .single()
    .max(20);
export const pathQuery = Joi.object<{ readonly goal?: string | readonly string[] }>({ goal: goalsAsked() });

export const gridReply = objects<GridView>({
  sides: Joi.array().items(Joi.string()).required(),
  students: Joi.array()
    .items(
      Joi.object({
        id: uuid().required(),
        name: Joi.string().required(),
        codes: Joi.string().required(),
      }),
    )
    .required(),
});
export const gridQuery = Joi.object<{ readonly group?: string }>({ group: uuid() });

export const schoolsReply = items(
  objects<SchoolReading>({
    school: school().required(),
    codes: Joi.string().required(),
    cleared: whole().required(),
  }),
);

export const studioChange = Joi.object<StudioChange>({
  version: whole().min(1).required(),
  name: name(),
  timeZone: Joi.string().max(64),
  school: school(),
  settings: settingValues,
  keepCleared: Joi.boolean(),
}).required();

export const previewRequest = objects<PreviewRequest>({
  school: school().allow(null).required(),
  students: Joi.array().items(uuid()).min(1).max(MAX_PREVIEW).unique().required(),
}).required();
export const previewReply = items(
  objects<PreviewItem>({
    studentId: uuid().required(),
    clears: Joi.array().items(subjectSide).required(),
    reopens: Joi.array().items(subjectSide).required(),
  }),
);

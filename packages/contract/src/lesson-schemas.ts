/** The Joi schemas of lessons, plans and the weeks toward a date. */
import {
  BEYONDS,
  CLASS_LIMITS,
  CLASS_USES,
  ENERGIES,
  PHASES,
  PRECAUTIONS,
  ROPE_KINDS,
  WATCHES,
  type ClassOption,
  type Helper,
  type LeftOut,
  type PlanBlock,
  type RopeStock,
  type Rotation,
  type Station,
  type StationPin,
  type StudentPlan,
  type WeekOfPlan,
} from "@mirrup/core/planning";
import { FAMILIES } from "@mirrup/core";
import Joi from "joi";
import {
  cautions,
  chance,
  coded,
  drill,
  loggedDrill,
  instant,
  items,
  localDay,
  objects,
  side,
  startTime,
  subject,
  triesLeft,
  uuid,
  whole,
} from "./schema-parts.js";
import { goal, goalsAsked } from "./teaching-schemas.js";
import {
  ATTENDANCES,
  MAX_LESSONS,
  MOST_TAKEN_BACK,
  PAIR_WISHES,
  type BegunStep,
  type ClassOptionsQuery,
  type ClassStudentView,
  type ClassWeeksQuery,
  type ClassWeeksView,
  type DoneSide,
  type LessonAsked,
  type LessonChange,
  type LessonPlan,
  type LessonProgress,
  type LessonRun,
  type Tapped,
  type LessonsQuery,
  type LessonsRequest,
  type LessonStudent,
  type LessonView,
  type NewLesson,
  type PairChange,
  type PlannedPlaces,
  type PlanQuery,
  type StudentPair,
  type WeeksQuery,
  type WeeksView,
} from "./lessons.js";

const MOST_MINUTES = 240;
const minutes = () => Joi.number().min(0).max(MOST_MINUTES);
const several = (item: Joi.Schema) => Joi.array().items(item).single().max(100).default([]);
const precautions = () =>
  Joi.array()
    .items(Joi.string().valid(...PRECAUTIONS))
    .unique();
const sideText = () =>
  Joi.string().pattern(/^(combo:)?[a-z0-9-]+:(left|right|whole)$/, "side such as cross:left");

export const planQuery = objects<PlanQuery>({
  minutes: Joi.number().integer().min(0).max(MOST_MINUTES).default(45),
  energy: Joi.string()
    .valid(...ENERGIES)
    .default("normal"),
  ban: several(sideText()),
  pin: several(sideText()),
  more: several(
    Joi.string().pattern(
      /^(combo:)?[a-z0-9-]+:(left|right|whole):-?[0-9]$/,
      "side and sets such as cross:left:2",
    ),
  ),
  missing: several(Joi.string().valid(...PRECAUTIONS)),
}).prefs({ convert: true });

const planBlock = objects<PlanBlock>({
  phase: Joi.string()
    .valid(...PHASES)
    .required(),
  subject: subject().required(),
  side: side().required(),
  drill: drill.required(),
  chance: chance().allow(null).required(),
  after: drill.optional().allow(null).required(),
  cautions: cautions().required(),
  sets: whole().min(1).required(),
  minutes: minutes().required(),
  rest: Joi.number().min(0).required(),
  landings: Joi.number().min(0).required(),
  multiples: Joi.number().min(0).required(),
  effort: Joi.string().required(),
  reason: coded().required(),
  leaving: Joi.number().min(0).allow(null).required(),
  beyond: Joi.array()
    .items(Joi.string().valid(...BEYONDS))
    .required(),
});
export const planReply = objects<StudentPlan>({
  blocks: Joi.array().items(planBlock).required(),
  leftOut: Joi.array()
    .items(
      objects<LeftOut>({ subject: subject().required(), side: side().required(), why: coded().required() }),
    )
    .required(),
  notes: Joi.array().items(coded()).required(),
  minutes: Joi.number().required(),
  landings: Joi.number().required(),
  multiples: Joi.number().required(),
  objective: Joi.number().required(),
  cost: Joi.number().min(0).required(),
});

/** What somebody does at a station, asked or kept. */
const taskKeys = {
  side: side().required(),
  use: Joi.string()
    .valid(...CLASS_USES)
    .required(),
  drill: drill.required(),
  chance: chance().allow(null).required(),
  cautions: cautions().required(),
  reason: coded().allow(null).required(),
};

const classOption = objects<ClassOption>({
  ...taskKeys,
  subject: subject().required(),
  worth: chance().required(),
  effort: Joi.string().required(),
  family: Joi.string()
    .valid(...FAMILIES)
    .allow(null)
    .required(),
  watch: Joi.string()
    .valid(...WATCHES)
    .required(),
  isBegun: Joi.boolean().required(),
  hasRope: Joi.boolean().required(),
  isNewAndHard: Joi.boolean().required(),
  landingsAMinute: Joi.number().min(0).required(),
  multiplesAMinute: Joi.number().min(0).required(),
});
export const classOptionsQuery = objects<ClassOptionsQuery>({
  missing: several(Joi.string().valid(...PRECAUTIONS)),
});
export const classOptionsReply = items(
  objects<ClassStudentView>({
    id: uuid().required(),
    name: Joi.string().required(),
    options: Joi.array().items(classOption).required(),
    heightMm: Joi.number().allow(null).required(),
    landingsLeft: Joi.number().allow(null).required(),
    multiplesLeft: Joi.number().allow(null).required(),
    hasStopped: Joi.boolean().required(),
    ropeMm: Joi.number().min(0).allow(null).required(),
    hasOwnRope: Joi.boolean().required(),
    apart: Joi.array().items(uuid()).required(),
    together: Joi.array().items(uuid()).required(),
  }),
);

const twoStudents = () => Joi.array().items(uuid()).length(2).unique().required();
const pairWish = () => Joi.string().valid(...PAIR_WISHES);
export const pairsReply = items(
  objects<StudentPair>({ students: twoStudents(), wish: pairWish().required() }),
);
export const pairChange = objects<PairChange>({
  students: twoStudents(),
  wish: pairWish().allow(null).required(),
}).required();

const turn = () => Joi.number().integer().min(0).max(CLASS_LIMITS.rotations);
const stationNumber = () => Joi.number().integer().min(0).max(CLASS_LIMITS.stations);
const rotation = objects<Rotation>({
  minutes: minutes().required(),
  stations: Joi.array()
    .items(
      objects<Station>({
        subject: subject().allow(null).required(),
        watchedBy: Joi.string()
          .valid(...WATCHES)
          .required(),
      }),
    )
    .max(CLASS_LIMITS.stations)
    .required(),
});
const helper = objects<Helper>({
  mayLead: Joi.array()
    .items(Joi.string().valid(...FAMILIES))
    .unique()
    .required(),
});
const ropeStock = objects<RopeStock>({
  kind: Joi.string()
    .valid(...ROPE_KINDS)
    .allow(null)
    .required(),
  lengthMm: whole().min(1000).max(5000).allow(null).required(),
  many: whole().max(500).required(),
});
/** Devices of an older version say how many helpers and ropes there are, and no more. */
const counted = (most: number, told: (count: number) => readonly (Helper | RopeStock)[]) =>
  whole()
    .max(most)
    // It runs on a number that was refused as well, so that all that is wrong is said at once.
    .custom((count: number) => told(Math.min(count, most)));
const helpers = () =>
  Joi.alternatives(
    Joi.array().items(helper).max(100),
    counted(100, (count): readonly Helper[] => Array.from({ length: count }, () => ({ mayLead: [] }))),
  );
const ropes = () =>
  Joi.alternatives(
    Joi.array().items(ropeStock).max(50),
    counted(500, (count): readonly RopeStock[] => [{ kind: null, lengthMm: null, many: count }]),
  ).allow(null);
const asked = objects<LessonAsked>({
  minutes: minutes().required(),
  turns: Joi.array().items(minutes()).max(CLASS_LIMITS.rotations).allow(null).required(),
  stations: stationNumber().required(),
  coaches: whole().max(100).required(),
  helpers: helpers().required(),
  ropes: ropes(),
  floor: Joi.object({
    widthMetres: Joi.number().min(1).max(200).required(),
    lengthMetres: Joi.number().min(1).max(200).required(),
  })
    .allow(null)
    .required(),
  hardSkill: Joi.string().valid("late", "early").required(),
  bans: Joi.array().items(subject()).max(200).required(),
  stationPins: Joi.array()
    .items(
      objects<StationPin>({
        rotation: turn().required(),
        station: stationNumber().required(),
        subject: subject().required(),
      }),
    )
    .max(200)
    .required(),
  seed: Joi.number().integer().min(0).max(4_294_967_295).required(),
  missing: precautions().required(),
});
export const lessonPlan = objects<LessonPlan>({
  asked: asked.required(),
  warmUpMinutes: minutes().required(),
  closeMinutes: minutes().required(),
  room: whole().allow(null).required(),
  minutes: Joi.number().min(0).required(),
  useful: Joi.number().min(0).required(),
  sameForAll: Joi.number().min(0).required(),
  most: Joi.number().min(0).required(),
  rotations: Joi.array().items(rotation).max(CLASS_LIMITS.rotations).required(),
});
/** Plans that were made before drills carried their cautions have an aim instead. */
const place = Joi.object({
  ...taskKeys,
  drill: loggedDrill,
  cautions: cautions().default([]),
  aim: Joi.any().strip(),
  station: stationNumber().required(),
  pinned: Joi.boolean().required(),
});
const attendance = () => Joi.string().valid(...ATTENDANCES);
/** What a lesson says of one student. */
export const visitKeys = {
  attendance: attendance().required(),
  ownRope: Joi.boolean().allow(null),
  places: Joi.array().items(place.allow(null)).max(CLASS_LIMITS.rotations).required(),
};
const student = objects<LessonStudent>({ studentId: uuid().required(), ...visitKeys });
const students = () => Joi.array().items(student).max(500).unique("studentId");
const MOST_STEPS = CLASS_LIMITS.rotations + 2;
const begunStep = {
  step: turn().max(MOST_STEPS).required(),
  startedAt: instant().required(),
  minutes: minutes().required(),
};
const progress = objects<LessonProgress>({
  ...begunStep,
  skipped: Joi.array().items(turn()).required(),
  trail: Joi.array().items(objects<BegunStep>(begunStep)).max(MOST_STEPS),
  takenBack: Joi.array().items(instant()).max(MOST_TAKEN_BACK),
});

const lessonKeys = {
  title: Joi.string().pattern(/\S/).max(120),
  day: localDay(),
  startTime: startTime().allow(null),
  minutes: Joi.number().integer().min(0).max(MOST_MINUTES),
  place: Joi.string().allow("").max(120),
  plan: lessonPlan.allow(null),
  students: students(),
};

export const lessonReply = objects<LessonView>({
  id: uuid().required(),
  version: whole().required(),
  groupId: uuid().allow(null).required(),
  title: lessonKeys.title.required(),
  day: localDay().required(),
  startTime: startTime().allow(null).required(),
  minutes: lessonKeys.minutes.required(),
  place: lessonKeys.place.required(),
  plan: lessonPlan.allow(null).required(),
  students: students().required(),
  progress: progress.allow(null).required(),
  finishedAt: instant().allow(null).required(),
});
export const lessonsReply = items(lessonReply);

const newLesson = Joi.object<NewLesson>({
  ...lessonKeys,
  id: uuid().required(),
  groupId: uuid().allow(null),
  title: lessonKeys.title.required(),
  day: localDay().required(),
  minutes: lessonKeys.minutes.required(),
});
export const lessonsRequest = objects<LessonsRequest>({
  lessons: Joi.array().items(newLesson).min(1).max(MAX_LESSONS).unique("id").required(),
}).required();
/** Devices of an older version say who comes as well; that is not a plan's to say. */
const plannedPlaces = Joi.object<PlannedPlaces & Pick<LessonStudent, "attendance" | "ownRope">>({
  studentId: uuid().required(),
  places: visitKeys.places,
  attendance: Joi.any().strip(),
  ownRope: Joi.any().strip(),
});
export const lessonChange = Joi.object<LessonChange>({
  ...lessonKeys,
  students: Joi.array().items(plannedPlaces).max(500).unique("studentId"),
  version: whole().min(1).required(),
}).required();
const tappedKeys = { at: instant() };
/** A tap that says nothing but when; devices of an older version say not even that. */
export const tapped = objects<Tapped>(tappedKeys).default({});
export const lessonRun = Joi.object<LessonRun>({
  attendance: Joi.object().pattern(uuid(), attendance()),
  ownRopes: Joi.object().pattern(uuid(), Joi.boolean()),
  progress: progress.allow(null),
  takesBack: instant(),
  finished: Joi.boolean(),
  ...tappedKeys,
})
  .with("takesBack", "progress")
  .required();

export const lessonsQuery = objects<LessonsQuery>({
  from: localDay().required(),
  to: localDay().required(),
}).required();

export const doneSidesReply = items(
  objects<DoneSide>({
    studentId: uuid().required(),
    subject: subject().required(),
    side: side().required(),
    sets: whole().required(),
    tries: whole().required(),
    clean: whole().required(),
    bestStreak: whole().required(),
  }),
);

export const weeksQuery = Joi.object<WeeksQuery>({
  until: localDay().required(),
  perWeek: Joi.number().integer().min(1).max(7),
  tries: Joi.number().integer().min(1).max(1000),
  goal: goalsAsked(),
})
  .required()
  .prefs({ convert: true });

const sideKeys = { subject: subject().required(), side: side().required() };
const sides = () => Joi.array().items(Joi.object(sideKeys)).required();
const number = () => Joi.number().min(0).required();
export const weeksReply = objects<WeeksView>({
  weeks: Joi.array()
    .items(
      objects<WeekOfPlan>({
        start: localDay().required(),
        lessons: Joi.array().items(localDay()).required(),
        work: Joi.array()
          .items(Joi.object({ ...sideKeys, tries: number(), finishes: Joi.boolean().required() }))
          .required(),
        reviews: sides(),
        landings: number(),
        slack: number(),
        highImpact: Joi.array().items(localDay()).required(),
        isTaper: Joi.boolean().required(),
      }),
    )
    .required(),
  tries: triesLeft,
  holds: number(),
  outlook: Joi.string().required(),
  chance: chance().required(),
  gives: Joi.array().items(coded()).required(),
  reached: sides(),
  lessonsNeeded: triesLeft,
  goals: Joi.array().items(goal).required(),
  until: localDay().required(),
  lessonsAWeek: number(),
  triesALesson: number(),
  allowance: Joi.number().allow(null).required(),
});

export const classWeeksQuery = Joi.object<ClassWeeksQuery>({
  until: localDay().required(),
  perWeek: Joi.number().integer().min(1).max(7),
  tries: Joi.number().integer().min(1).max(1000),
  goal: goalsAsked().min(1).required(),
})
  .required()
  .prefs({ convert: true });

const ids = () => Joi.array().items(uuid()).required();
export const classWeeksReply = objects<ClassWeeksView>({
  goals: Joi.array().items(goal).required(),
  until: localDay().required(),
  lessonsAWeek: number(),
  likely: whole().required(),
  chanceOfAll: chance().required(),
  gives: Joi.array().items(coded()).required(),
  weeks: Joi.array()
    .items(
      Joi.object({
        start: localDay().required(),
        lessons: Joi.array().items(localDay()).required(),
        work: Joi.array()
          .items(Joi.object({ subject: subject().required(), students: ids(), finishing: ids() }))
          .required(),
        isTaper: Joi.boolean().required(),
      }),
    )
    .required(),
  students: Joi.array()
    .items(
      Joi.object({
        studentId: uuid().required(),
        name: Joi.string().required(),
        outlook: Joi.string().required(),
        chance: chance().required(),
        lessonsNeeded: triesLeft,
      }),
    )
    .required(),
});

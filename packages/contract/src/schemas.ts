/** The Joi schemas of every request and reply. Apart from the types, so that Joi stays out of the shell. */
import { SCHOOL_IDS, type SideName } from "@mirrup/core";
import { STATUSES, type Load } from "@mirrup/core/teaching";
import Joi from "joi";
import { jumpMeasure } from "./jump-schemas.js";
import {
  chance,
  clock,
  coded,
  drill,
  gateInForce,
  instant,
  items,
  localDay,
  note,
  objects,
  side,
  subject,
  uuid,
  whole,
} from "./schema-parts.js";
import { visitKeys } from "./lesson-schemas.js";
import {
  changeKeys,
  decisionView,
  goal,
  openedKeys,
  settingValues,
  studentProfile,
} from "./teaching-schemas.js";
import {
  AUDIT_ACTIONS,
  LETTER_STATES,
  TOPICS,
  LONGEST_REPORT,
  MAX_SETS_PER_BATCH,
  ROLES,
  RUNG_STATES,
  type ArchivedStudent,
  type BroughtOver,
  type SecondRecord,
  type AuditView,
  type HandleQuery,
  type NoteRequest,
  type LoadView,
  type Done,
  type InvitationRequest,
  type InvitationUse,
  type AccountChange,
  type ChangesReply,
  type ChangeView,
  type NewStudio,
  type StudioDeletion,
  type MailView,
  type Membership,
  type MemberView,
  type PasswordRequest,
  type PersonView,
  type ReportLetter,
  type ResetRequest,
  type ResetUse,
  type RoleRequest,
  type SessionView,
  type SetUpRequest,
  type SignInRequest,
  type StudentRecord,
  type FloorView,
  type Health,
  type NextItem,
  type Problem,
  type ProblemError,
  type RulesChange,
  type RungItem,
  type SetsReply,
  type SetsRequest,
  type StandingItem,
  type StudentView,
  type StudioView,
  type UnmetItem,
} from "./index.js";
import { setRequest, setView } from "./set-schemas.js";

export * from "./combo-schemas.js";
export * from "./jump-schemas.js";
export * from "./lesson-schemas.js";
export * from "./log-schemas.js";
export * from "./own-skill-schemas.js";
export * from "./home-schemas.js";
export * from "./set-schemas.js";
export * from "./presence-schemas.js";
export * from "./progress-schemas.js";
export * from "./teaching-schemas.js";

export const idParam = uuid().required();

export const loadReply = objects<LoadView>({
  weekStart: localDay().required(),
  landings: Joi.number().required(),
  estimated: Joi.number().required(),
  allowance: Joi.number().allow(null).required(),
  today: Joi.object<Load>({
    landings: Joi.number().required(),
    multiples: Joi.number().required(),
  }).required(),
});

/** From an address, where every number is text. */
export const handleQuery = objects<HandleQuery>({
  seed: Joi.number().integer().min(0).max(4_294_967_295).default(1),
  tempo: Joi.number().min(30).max(400).default(120),
  clean: Joi.number().min(0).max(1).default(0.97),
  drift: Joi.number().min(-50).max(50).default(2),
  evenness: Joi.number().min(50).max(100).default(94),
  fatigue: Joi.number().min(0).max(1).default(0.01),
}).prefs({ convert: true });

/** Events of the handle's stream, each a message of the handle as JSON. */
export const handleReply = Joi.string();

export const noteRequest = objects<NoteRequest>({
  setId: uuid().required(),
  text: note().required(),
  at: instant(),
}).required();

export const setsRequest = objects<SetsRequest>({
  sets: Joi.array().items(setRequest).min(1).max(MAX_SETS_PER_BATCH).required(),
  sentAt: clock(),
}).required();

const unmet = objects<UnmetItem>({
  subject: subject().required(),
  side: side().required(),
  gate: gateInForce,
  need: whole().required(),
  have: whole().required(),
  short: whole().required(),
  needIndex: whole().required(),
  way: whole().required(),
});

const status = () =>
  Joi.string()
    .valid(...STATUSES)
    .required();

const standing = objects<StandingItem>({
  subject: subject().required(),
  side: side().required(),
  status: status(),
  bestStreak: whole().required(),
  cleanChance: chance().required(),
  gate: gateInForce,
  gateBest: whole().required(),
  reviewDue: Joi.string().isoDate().allow(null).required(),
  clearedBy: Joi.string().valid("gate", "hand", "placed").allow(null).required(),
  isStuck: Joi.boolean().required(),
  lowReviews: whole().required(),
  lastAt: instant().allow(null).required(),
  unmet: Joi.array().items(unmet).required(),
});

const next = objects<NextItem>({
  subject: subject().required(),
  side: side().required(),
  drill,
  chance: chance().required(),
  gate: gateInForce,
  tryGate: Joi.object({ drill, chance: chance().required() }).allow(null).required(),
  after: drill.optional().allow(null).required(),
  reason: coded().required(),
  isNew: Joi.boolean().required(),
});

const rung = objects<RungItem>({
  id: Joi.string().required(),
  drill,
  state: Joi.string()
    .valid(...RUNG_STATES)
    .required(),
  chance: chance().required(),
  holds: Joi.string().valid("whole", "piece", "shape").required(),
  about: Joi.array()
    .items(Joi.object({ subject: subject().required(), side: side().required() }))
    .required(),
  isPart: Joi.boolean().required(),
  isAfterGate: Joi.boolean().required(),
  isNext: Joi.boolean().required(),
});
export const ladderReply = items(rung);

const student = objects<StudentView>({
  id: uuid().required(),
  name: Joi.string().required(),
  leadingSide: Joi.string().valid("left", "right").required(),
  ropeMisfitMm: Joi.number().integer().allow(null).required(),
  dominantHand: Joi.string().valid("left", "right").allow(null).required(),
  archived: Joi.boolean().required(),
  groups: Joi.array().items(uuid()).required(),
  goals: Joi.array().items(goal).required(),
  hasStopped: Joi.boolean().required(),
  level: whole().required(),
  stuck: whole().required(),
  reviewsDue: whole().required(),
  lastPractisedAt: instant().allow(null).required(),
  counts: Joi.object({
    cleared: whole().required(),
    working: whole().required(),
    ready: whole().required(),
    locked: whole().required(),
  }).required(),
  next: next.allow(null),
  nextCodes: Joi.string().allow("").max(2).required(),
});

export const studioReply = objects<StudioView>({
  id: uuid().required(),
  name: Joi.string().required(),
  timeZone: Joi.string().required(),
  school: Joi.string()
    .valid(...SCHOOL_IDS)
    .required(),
  settings: settingValues.required(),
  version: whole().required(),
});

export const studentReply = student;
export const studentsReply = items(student);
export const archivedReply = items(
  objects<ArchivedStudent>({
    id: uuid().required(),
    name: Joi.string().required(),
    groups: Joi.array().items(uuid()).required(),
    version: whole().required(),
    archivedAt: instant().required(),
    sameAs: uuid().allow(null).required(),
  }),
);

export const secondRecord = Joi.object<SecondRecord>({ id: uuid().required() });
export const broughtOverReply = Joi.object<BroughtOver>({
  sets: whole().required(),
  decisions: whole().required(),
});
export const standingsReply = items(standing);
export const nextReply = items(next);

/** Which side's last sets are asked for. */
export const comboSetsQuery = objects<{ readonly combo: string }>({ combo: uuid().required() }).required();

export const lastSetsQuery = objects<{ readonly subject: string; readonly side: SideName }>({
  subject: subject().required(),
  side: side().required(),
}).required();
export const lastSetsReply = items(setView);

export const floorReply = objects<FloorView>({
  student: student.required(),
  standings: Joi.array().items(standing).required(),
  next: Joi.array().items(next).required(),
  ladder: Joi.array().items(rung).required(),
  sets: Joi.array().items(setView).required(),
  load: loadReply.required(),
});

export const rulesChangesReply = items(
  objects<RulesChange>({
    studentId: uuid().required(),
    name: Joi.string().required(),
    subject: subject().required(),
    side: side().required(),
    isCleared: Joi.boolean().required(),
    at: instant().required(),
  }),
);
export const rulesChangesRequest = Joi.object<{ readonly keep: boolean }>({
  keep: Joi.boolean().required(),
}).required();

export const setsReply = objects<SetsReply>({
  stored: Joi.array().items(uuid()).required(),
  alreadyStored: Joi.array().items(uuid()).required(),
  clockAhead: Joi.array().items(uuid()).required(),
  clockAheadSeconds: Joi.number().integer().required(),
  changes: Joi.array().items(Joi.object(changeKeys)).required(),
  opened: Joi.array().items(Joi.object(openedKeys)).required(),
});

export const healthReply = objects<Health>({
  status: Joi.string().valid("ok", "unavailable").required(),
  database: Joi.string().valid("up", "read-only", "down").required(),
  version: Joi.string().required(),
});

export const problemReply = objects<Problem>({
  type: Joi.string().required(),
  title: Joi.string().required(),
  status: Joi.number().integer().required(),
  detail: Joi.string().required(),
  requestId: Joi.string(),
  errors: Joi.array().items(
    Joi.object<ProblemError>({
      item: whole(),
      id: Joi.string(),
      field: Joi.string().allow("").required(),
      code: Joi.string().required(),
      message: Joi.string().required(),
    }),
  ),
  current: Joi.any(),
});

const email = () => Joi.string().email({ tlds: false }).max(254);
const name = () => Joi.string().pattern(/\S/).max(120);
/** A new password: length is what makes it strong. A tried one may be anything. */
const newPassword = () => Joi.string().min(10).max(200);
const triedPassword = () => Joi.string().min(1).max(200);
const token = () => Joi.string().min(20).max(200);
const role = () => Joi.string().valid(...ROLES);

export const signInRequest = objects<SignInRequest>({
  email: email().required(),
  password: triedPassword().required(),
}).required();

export const passwordRequest = objects<PasswordRequest>({
  current: triedPassword().required(),
  next: newPassword().required(),
}).required();

function isTimeZone(value: string, helpers: Joi.CustomHelpers): string | Joi.ErrorReport {
  try {
    new Intl.DateTimeFormat("en", { timeZone: value });
    return value;
  } catch {
    return helpers.message({ custom: "{{#label}} is no time zone, such as Europe/London" });
  }
}

const studioKeys = {
  studioName: name().required(),
  timeZone: Joi.string().max(64).custom(isTimeZone).required(),
  school: Joi.string()
    .valid(...SCHOOL_IDS)
    .required(),
};

export const newStudio = objects<NewStudio>(studioKeys).required();
export const studioDeletion = objects<StudioDeletion>({ studioName: name().required() }).required();
export const accountChange = objects<AccountChange>({
  name: name(),
  email: email(),
  current: triedPassword(),
})
  .with("email", "current")
  .required();

export const setUpRequest = objects<SetUpRequest>({
  ...studioKeys,
  name: name().required(),
  email: email().required(),
  password: newPassword().required(),
}).required();

export const reportLetter = objects<ReportLetter>({
  to: email().required(),
  text: Joi.string().pattern(/\S/).max(LONGEST_REPORT).required(),
}).required();

export const resetRequest = objects<ResetRequest>({ email: email().required() }).required();
export const resetUse = objects<ResetUse>({
  token: token().required(),
  password: newPassword().required(),
}).required();
export const invitationRequest = objects<InvitationRequest>({
  email: email().required(),
  role: role().required(),
}).required();
export const invitationUse = objects<InvitationUse>({
  token: token().required(),
  name: name().required(),
  password: newPassword().required(),
}).required();
export const roleRequest = objects<RoleRequest>({ role: role().required() }).required();

const person = objects<PersonView>({
  id: uuid().required(),
  name: Joi.string().required(),
  email: Joi.string().required(),
});

export const membershipReply = objects<Membership>({
  studioId: uuid().required(),
  studioName: Joi.string().required(),
  role: role().required(),
});

export const sessionReply = objects<SessionView>({
  isSetUp: Joi.boolean().required(),
  hasDemo: Joi.boolean().required(),
  person: person.allow(null).required(),
  memberships: Joi.array().items(membershipReply).required(),
});

export const changesQuery = objects<{ readonly after?: string }>({
  after: Joi.string().pattern(/^\d{1,15}$/),
});
export const changesReply = objects<ChangesReply>({
  number: Joi.number().integer().min(0).required(),
  all: Joi.boolean().required(),
  items: Joi.array()
    .items(
      objects<ChangeView>({
        number: Joi.number().integer().min(1).required(),
        topics: Joi.array()
          .items(Joi.string().valid(...TOPICS))
          .required(),
        studentIds: Joi.array().items(uuid()).required(),
        device: Joi.string().allow(null).required(),
      }),
    )
    .required(),
}).required();

export const doneReply = objects<Done>({ done: Joi.boolean().valid(true).required() });
export const membersReply = items(
  objects<MemberView>({
    id: uuid().required(),
    name: Joi.string().required(),
    email: Joi.string().required(),
    role: role().required(),
  }),
);
export const mailReply = items(
  objects<MailView>({
    id: uuid().required(),
    to: Joi.string().required(),
    subject: Joi.string().required(),
    text: Joi.string().allow(null).required(),
    state: Joi.string()
      .valid(...LETTER_STATES)
      .required(),
    trouble: Joi.string().allow(null).required(),
    at: instant().required(),
  }),
);
export const auditReply = items(
  objects<AuditView>({
    id: uuid().required(),
    at: instant().required(),
    by: Joi.string().allow(null).required(),
    action: Joi.string()
      .valid(...AUDIT_ACTIONS)
      .required(),
    whom: Joi.string().allow(null).required(),
    about: Joi.string().allow(null).required(),
  }),
);
export const studentRecordReply = objects<StudentRecord>({
  format: Joi.string().valid("mirrup-student").required(),
  version: Joi.number().valid(4).required(),
  exportedAt: instant().required(),
  student: (studentProfile as Joi.ObjectSchema).keys({
    id: uuid().required(),
    archivedAt: instant().allow(null).required(),
    createdAt: instant().required(),
    groups: Joi.array().items(Joi.string()).required(),
  }),
  decisions: Joi.array().items(decisionView).required(),
  sets: Joi.array()
    .items(
      setView.keys({
        receivedAt: instant().required(),
        catalogueVersion: Joi.string().required(),
      }),
    )
    .required(),
  standings: Joi.array().items(standing).required(),
  jumps: Joi.array().items(jumpMeasure).required(),
  lessons: Joi.array()
    .items(
      Joi.object({
        ...visitKeys,
        id: uuid().required(),
        day: localDay().required(),
        title: Joi.string().required(),
      }),
    )
    .required(),
});

import { CAUTION_CODES } from "@mirrup/core";
import { STATUSES, type Goal } from "@mirrup/core/teaching";
import Joi from "joi";
import {
  HOME_DAYS,
  MOST_HOME_SETS,
  type HomeDrill,
  type HomeGoal,
  type HomeLinkRequest,
  type HomeLinkView,
  type HomePracticeView,
  type HomeSetsReply,
  type HomeSetsRequest,
  type HomeView,
  type NewHomeLink,
  type PractisedAtHome,
} from "./home.js";
import { overlayEntry } from "./own-skill-schemas.js";
import { clearedSide } from "./progress-schemas.js";
import {
  chance,
  clock,
  drill,
  gateInForce,
  instant,
  items,
  objects,
  side,
  subject,
  uuid,
  whole,
} from "./schema-parts.js";
import { homeSet, setView } from "./set-schemas.js";

export const homeLinkRequest = objects<HomeLinkRequest>({
  days: Joi.number().integer().min(HOME_DAYS.least).max(HOME_DAYS.most).required(),
  agreed: Joi.boolean().required(),
}).required();

const link = { madeAt: instant().required(), expiresAt: instant().required() };
export const newHomeLinkReply = objects<NewHomeLink>({ ...link, token: Joi.string().required() }).required();
export const homePracticeReply = objects<HomePracticeView>({
  link: objects<HomeLinkView>(link).allow(null).required(),
  isGrown: Joi.boolean().required(),
  sets: Joi.array().items(setView).required(),
}).required();

export const practisedAtHomeReply = items(
  objects<PractisedAtHome>({
    studentId: uuid().required(),
    name: Joi.string().required(),
    sets: whole().required(),
    lastAt: instant().required(),
  }),
);

const named = { subject: subject().required(), side: side().required() };

export const homeReply = objects<HomeView>({
  expiresAt: instant().required(),
  rest: Joi.valid("stopped", "allowance").allow(null).required(),
  drills: Joi.array()
    .items(
      objects<HomeDrill>({
        ...named,
        drill: drill.required(),
        chance: chance().required(),
        gate: gateInForce.required(),
        cautions: Joi.array()
          .items(Joi.valid(...CAUTION_CODES))
          .required(),
      }),
    )
    .required(),
  strands: Joi.array()
    .items(Joi.object({ ...named, status: Joi.valid(...STATUSES).required() }))
    .required(),
  goals: Joi.array()
    .items(
      objects<HomeGoal>({
        goal: Joi.object<Goal>({
          subject: subject().required(),
          side: Joi.valid("left", "right", "whole", "both").required(),
        }).required(),
        left: Joi.array().items(Joi.object(named)).required(),
        cleared: Joi.array().items(clearedSide).required(),
      }),
    )
    .required(),
  cleared: Joi.array().items(clearedSide).required(),
  waiting: whole().required(),
  own: Joi.object({
    edition: whole().required(),
    entries: Joi.object().pattern(subject(), overlayEntry).required(),
  }).required(),
}).required();

export const homeSetsRequest = objects<HomeSetsRequest>({
  sets: Joi.array().items(homeSet).min(1).max(MOST_HOME_SETS).required(),
  sentAt: clock(),
}).required();

export const homeSetsReply = objects<HomeSetsReply>({
  stored: Joi.array().items(uuid()).required(),
  clockAheadSeconds: Joi.number().integer().required(),
}).required();

import type { DataSourceOptions } from "typeorm";
import { AuditEntity } from "../audit/audit.entity.js";
import { PersonEntity } from "../auth/person.entity.js";
import { ComboEntity } from "../combos/combo.entity.js";
import { GroupMemberEntity } from "../groups/group-member.entity.js";
import { GroupEntity } from "../groups/group.entity.js";
import { LessonStudentEntity } from "../lessons/lesson-student.entity.js";
import { LessonEntity } from "../lessons/lesson.entity.js";
import { DecisionEntity } from "../log/decision.entity.js";
import { SetNoteEntity } from "../log/note.entity.js";
import { SetEntity } from "../log/set.entity.js";
import { MailEntity } from "../mail/mail.entity.js";
import { LinkEntity } from "../links/link.entity.js";
import { MembershipEntity } from "../people/membership.entity.js";
import { LessonLoadEntity } from "../standings/lesson-load.entity.js";
import { PracticeDayEntity } from "../standings/practice-day.entity.js";
import { RulesChangeEntity } from "../standings/rules-change.entity.js";
import { StandingMarkEntity } from "../standings/standing-mark.entity.js";
import { StandingEntity } from "../standings/standing.entity.js";
import { DeletedStudentEntity } from "../students/deleted-student.entity.js";
import { EarlyStopEntity } from "../students/early-stop.entity.js";
import { JumpEntity } from "../students/jump.entity.js";
import { StudentPairEntity } from "../students/student-pair.entity.js";
import { StudentEntity } from "../students/student.entity.js";
import { HomeLinkEntity } from "../home/home-link.entity.js";
import { PresenceEntity } from "../presence/presence.entity.js";
import { OverlayEntity } from "../studios/overlay.entity.js";
import { StudioEntity } from "../studios/studio.entity.js";
import { Initial1764000000000 } from "./migrations/1764000000000-initial.js";
import { People1764100000000 } from "./migrations/1764100000000-people.js";
import { Stops1764300000000 } from "./migrations/1764300000000-stops.js";
import { Home1766100000000 } from "./migrations/1766100000000-home.js";
import { Jumps1766200000000 } from "./migrations/1766200000000-jumps.js";
import { Milestones1766300000000 } from "./migrations/1766300000000-milestones.js";
import { SecondRecords1766500000000 } from "./migrations/1766500000000-second-records.js";
import { WhoCounted1766400000000 } from "./migrations/1766400000000-who-counted.js";
import { PracticeDays1766000000000 } from "./migrations/1766000000000-practice-days.js";
import { Loads1764400000000 } from "./migrations/1764400000000-loads.js";
import { Combos1764600000000 } from "./migrations/1764600000000-combos.js";
import { Lessons1764500000000 } from "./migrations/1764500000000-lessons.js";
import { Drills1764700000000 } from "./migrations/1764700000000-drills.js";
import { AuditIndex1765200000000 } from "./migrations/1765200000000-audit-index.js";
import { ClassMeans1764900000000 } from "./migrations/1764900000000-class-means.js";
import { Editions1765000000000 } from "./migrations/1765000000000-editions.js";
import { OwnStudio1765300000000 } from "./migrations/1765300000000-own-studio.js";
import { Changes1765500000000 } from "./migrations/1765500000000-changes.js";
import { Notes1765800000000 } from "./migrations/1765800000000-notes.js";
import { Overlay1765900000000 } from "./migrations/1765900000000-overlay.js";
import { Presence1765700000000 } from "./migrations/1765700000000-presence.js";
import { Said1765600000000 } from "./migrations/1765600000000-said.js";
import { Letters1765400000000 } from "./migrations/1765400000000-letters.js";
import { Marks1765100000000 } from "./migrations/1765100000000-marks.js";
import { Models1764800000000 } from "./migrations/1764800000000-models.js";
import { Teaching1764200000000 } from "./migrations/1764200000000-teaching.js";

/**
 * How long a request may take of the database, milliseconds. Whoever waits longer for what another holds, or holds
 * it while nothing is asked, is told to come again instead of having everybody wait behind them.
 */
export const REQUEST_LIMITS = {
  lock_timeout: 5_000,
  statement_timeout: 15_000,
  idle_in_transaction_session_timeout: 20_000,
} as const;

/**
 * How to reach the database at `url`, within `limits` where somebody waits for the answer. The schema changes by
 * migrations alone.
 */
export function databaseOptions(url: string, limits: Partial<typeof REQUEST_LIMITS> = {}): DataSourceOptions {
  return {
    type: "postgres",
    url,
    entities: [
      StudioEntity,
      OverlayEntity,
      StudentEntity,
      DeletedStudentEntity,
      SetEntity,
      DecisionEntity,
      GroupEntity,
      GroupMemberEntity,
      EarlyStopEntity,
      JumpEntity,
      StudentPairEntity,
      ComboEntity,
      LessonEntity,
      LessonStudentEntity,
      LessonLoadEntity,
      PracticeDayEntity,
      StandingEntity,
      StandingMarkEntity,
      RulesChangeEntity,
      PersonEntity,
      MembershipEntity,
      LinkEntity,
      MailEntity,
      AuditEntity,
      PresenceEntity,
      HomeLinkEntity,
      SetNoteEntity,
    ],
    migrations: [
      Initial1764000000000,
      People1764100000000,
      Teaching1764200000000,
      Stops1764300000000,
      Loads1764400000000,
      Lessons1764500000000,
      Combos1764600000000,
      Drills1764700000000,
      Models1764800000000,
      ClassMeans1764900000000,
      Editions1765000000000,
      Marks1765100000000,
      AuditIndex1765200000000,
      OwnStudio1765300000000,
      Letters1765400000000,
      Changes1765500000000,
      Said1765600000000,
      Presence1765700000000,
      Notes1765800000000,
      Overlay1765900000000,
      PracticeDays1766000000000,
      Home1766100000000,
      Jumps1766200000000,
      Milestones1766300000000,
      WhoCounted1766400000000,
      SecondRecords1766500000000,
    ],
    migrationsTransactionMode: "all",
    synchronize: false,
    logging: false,
    // Two cores run the queries; more connections would only wait and hold memory.
    poolSize: 8,
    connectTimeoutMS: 3000,
    applicationName: "mirrup",
    extra: limits,
  };
}

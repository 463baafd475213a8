import { SCHOOLS } from "@mirrup/catalogue";
import { localDate } from "@mirrup/core";
import type { DataSource, EntityManager } from "typeorm";
import { AuditService } from "../audit/index.js";
import { Passwords } from "../auth/index.js";
import { PersonEntity } from "../auth/person.entity.js";
import { ComboEntity } from "../combos/combo.entity.js";
import { scopeIn, type Scope } from "../database/scope.js";
import { GroupEntity } from "../groups/group.entity.js";
import { GroupMemberEntity } from "../groups/group-member.entity.js";
import { MembershipEntity } from "../people/membership.entity.js";
import { SetsService } from "../sets/index.js";
import { RememberedFacts, StandingsService } from "../standings/index.js";
import { NEW_STUDENT, StudentEntity } from "../students/index.js";
import { NEW_STUDIO, StudioEntity } from "../studios/index.js";
import { OverlayEntity } from "../studios/overlay.entity.js";
import { comboHistory, DEMO_COMBOS } from "./combos.js";
import { DEMO_CLUB, DEMO_GROUPS, DEMO_PASSWORD, DEMO_PEOPLE, type DemoClub } from "./club.js";
import { DEMO_PROGRAMMES } from "./programmes.js";
import { demoId } from "./demo-id.js";
import { historyOf, simulatedHistoryOf } from "./history.js";

/**
 * Loads the demo club into a database without any studio; answers whether it did. The history is
 * taken in through the same service that takes the floor's sets.
 */
export async function loadDemo(database: DataSource, now: Date): Promise<boolean> {
  const { name, timeZone, school } = DEMO_CLUB;
  return database.transaction(async (manager) => {
    if ((await manager.count(StudioEntity)) > 0) return false;
    const id = demoId(name);
    const studio: StudioEntity = { ...NEW_STUDIO, id, name, timeZone, school, isDemo: true, createdAt: now };
    await manager.insert(StudioEntity, studio);
    await addPeople(manager, studio.id, now);
    await addProgrammes(manager, studio.id, now);
    const scope = await scopeIn(manager, { studio, personId: null, now });
    await addCombos(scope);
    await addStudents(scope);
    await addGroups(manager, studio.id, now);
    return true;
  });
}

/** The demo's people, each with the sets that brought them to where they are. */
function peopleOf({ students, others, school, timeZone }: DemoClub, now: Date) {
  return [
    ...students.map((student, index) => ({
      name: student.name,
      profile: { ...student.profile, strongerSide: student.strongerSide },
      history: historyOf(student, demoId(student.name), index + 1, now, timeZone),
    })),
    ...others.map((student) => ({
      name: student.name,
      profile: student.profile ?? {},
      history: simulatedHistoryOf(student, demoId(student.name), SCHOOLS[school], now, timeZone),
    })),
  ];
}

async function addStudents(scope: Scope): Promise<void> {
  const { studio, manager, now } = scope;
  const sets = new SetsService(new StandingsService(new RememberedFacts()), new AuditService());
  for (const { name, profile, history } of peopleOf(DEMO_CLUB, now)) {
    const id = demoId(name);
    const student = { ...NEW_STUDENT, ...profile, studioId: studio.id, id, name, createdAt: now };
    await manager.insert(StudentEntity, student);
    if (history.length > 0) await sets.log(scope, { sets: history });
  }
  await sets.log(scope, { sets: comboHistory(now, studio.timeZone) });
}

/** What the studio has of its own, as the first edition of it. */
async function addProgrammes(manager: EntityManager, studioId: string, madeAt: Date): Promise<void> {
  const id = demoId("programmes");
  const owner = DEMO_PEOPLE.find(({ role }) => role === "owner");
  await manager.insert(OverlayEntity, {
    ...{
      studioId,
      id,
      edition: 1,
      entries: DEMO_PROGRAMMES,
      personId: owner === undefined ? null : demoId(owner.email),
      madeAt,
    },
    subjects: Object.keys(DEMO_PROGRAMMES),
  });
  await manager.update(StudioEntity, { id: studioId }, { overlayId: id });
}

async function addCombos({ studio, manager, now }: Scope): Promise<void> {
  const rest = { removedAt: null, linkHash: null, linkedAt: null, version: 1, createdAt: now };
  for (const { id, name, note, parts } of DEMO_COMBOS) {
    await manager.insert(ComboEntity, { studioId: studio.id, id, name, note, parts: [...parts], ...rest });
  }
}

async function addGroups(manager: EntityManager, studioId: string, createdAt: Date): Promise<void> {
  const today = localDate(createdAt.getTime(), DEMO_CLUB.timeZone);
  const weekdayNow = new Date(`${today}T12:00:00Z`).getUTCDay() || 7;
  for (const { name, weekday, startTime, place, members } of DEMO_GROUPS) {
    const id = demoId(`group ${name}`);
    const rest = { archivedAt: null, createdAt, version: 1 };
    await manager.insert(GroupEntity, {
      studioId,
      id,
      name,
      weekday: weekday ?? weekdayNow,
      startTime,
      place,
      ...rest,
    });
    await manager.insert(
      GroupMemberEntity,
      members.map((member) => ({ studioId, groupId: id, studentId: demoId(member) })),
    );
  }
}

async function addPeople(manager: EntityManager, studioId: string, createdAt: Date): Promise<void> {
  const passwordHash = await new Passwords().hash(DEMO_PASSWORD);
  for (const { name, email, role } of DEMO_PEOPLE) {
    const id = demoId(email);
    await manager.insert(PersonEntity, { id, name, email, passwordHash, createdAt });
    await manager.insert(MembershipEntity, { studioId, personId: id, role });
  }
}

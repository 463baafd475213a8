import { settingValue } from "@mirrup/catalogue";
import {
  LATELY_DAYS,
  MOST_HOME_SETS_A_DAY,
  type HomeDrill,
  type HomeGoal,
  type HomeRest,
  type HomeSetsReply,
  type HomeSetsRequest,
  type HomeView,
} from "@mirrup/contract";
import { DAY_MS, dayAfter, SideSet, type Overlay } from "@mirrup/core";
import { underGoals } from "@mirrup/core/planning";
import { goalPath, homeDrills, weekLoad, type Reading } from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import { MoreThan, type DataSource } from "typeorm";
import { holdTeaching, Scopes, type Scope } from "../database/scope.js";
import { tellChange } from "../door/index.js";
import { SetEntity } from "../log/index.js";
import { BadHomeLinkProblem, EnoughForTodayProblem } from "../problems/problem.js";
import { SetsService } from "../sets/index.js";
import { loadsOf, proposalsOf, StandingsService, todayIn } from "../standings/index.js";
import {
  clearedIn,
  goalsFor,
  nextOptions,
  StopsService,
  StudentEntity,
  StudentsService,
} from "../students/index.js";
import { hashOfToken, HomeLinksService } from "./home-links.service.js";
import { HomeLinkEntity } from "./home-link.entity.js";

/** What of a studio's own can be told to whoever has a link: its skills, not its programmes and gates. */
function skillsAlone({ edition, entries }: Overlay): Overlay {
  const skills = Object.entries(entries).filter(([, { kind }]) => kind === "own" || kind === "changed");
  return { edition, entries: Object.fromEntries(skills) };
}

/** A student's own page, for whoever has its link: nothing of anybody else, and no name. */
@Injectable()
export class HomeService {
  constructor(
    private readonly scopes: Scopes,
    @InjectDataSource() private readonly database: DataSource,
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly stops: StopsService,
    private readonly sets: SetsService,
    private readonly links: HomeLinksService,
  ) {}

  /** Throws `BadHomeLinkProblem` for a link that ended, or is none of ours. */
  async read(token: string): Promise<HomeView> {
    return this.within(token, "read", async (scope, link) => {
      const student = await this.students.getOrThrow(scope, link.studentId);
      const reading = await this.standings.readingOf(scope, student);
      const rest = await this.restOf(scope, student);
      const lately = { from: dayAfter(todayIn(scope), -LATELY_DAYS), to: todayIn(scope) };
      return {
        expiresAt: link.expiresAt.toISOString(),
        rest,
        drills: rest === "stopped" ? [] : drillsOf(scope, student, reading, rest),
        strands: reading.standings.map(({ of: { subject, side }, status }) => ({ subject, side, status })),
        goals: goalsOf(scope, student, reading),
        cleared: clearedIn(scope, reading, lately),
        waiting: await this.links.waitingOf(scope, student.id),
        own: skillsAlone(scope.overlay),
      };
    });
  }

  private async restOf(scope: Scope, student: StudentEntity): Promise<HomeRest | null> {
    if (await this.stops.hasStopped(scope, student.id)) return "stopped";
    const lessons = (await loadsOf(scope, [student.id])).get(student.id) ?? [];
    const startsOn = Number(settingValue("week-start", scope.studio.settings));
    const { landings, allowance } = weekLoad(lessons, todayIn(scope), startsOn);
    return allowance !== null && landings >= allowance ? "allowance" : null;
  }

  /**
   * Takes sets that the student counted; each once, however often it is sent. Throws `BadHomeLinkProblem`,
   * `EnoughForTodayProblem`, and what the log itself refuses.
   */
  async take(token: string, { sets, sentAt }: HomeSetsRequest): Promise<HomeSetsReply> {
    return this.within(token, "write", async (asked, { studentId }) => {
      // In the order of everybody: what is taught, then the student.
      const scope = await holdTeaching(asked);
      await this.students.hold(scope, studentId);
      const day = await scope.manager.findBy(SetEntity, {
        ...{ studioId: scope.studio.id, studentId, countedBy: "student" },
        receivedAt: MoreThan(new Date(scope.now.getTime() - DAY_MS)),
      });
      const known = new Set(day.map(({ id }) => id));
      const fresh = sets.filter(({ id }) => !known.has(id));
      if (day.length + fresh.length > MOST_HOME_SETS_A_DAY) throw new EnoughForTodayProblem();
      const { stored, alreadyStored, clockAheadSeconds } = await this.sets.log(scope, {
        sets: sets.map((set) => ({ ...set, studentId, countedBy: "student" })),
        ...(sentAt === undefined ? {} : { sentAt }),
      });
      if (stored.length > 0)
        await tellChange(scope, { topics: ["students"], studentIds: [studentId], device: null });
      return { stored: [...stored, ...alreadyStored], clockAheadSeconds };
    });
  }

  private async within<T>(
    token: string,
    mode: "read" | "write",
    work: (scope: Scope, link: HomeLinkEntity) => Promise<T>,
  ): Promise<T> {
    const tokenHash = hashOfToken(token);
    const [found] = await this.database.query<{ id: string | null }[]>(
      "SELECT mirrup_studio_of_home_link($1) AS id",
      [tokenHash],
    );
    if (found?.id == null) throw new BadHomeLinkProblem();
    return this.scopes.run({ studioId: found.id, mode }, async (scope) => {
      const { manager, studio, now } = scope;
      const link = await manager.findOneBy(HomeLinkEntity, { studioId: studio.id, tokenHash });
      const student =
        link === null
          ? null
          : await manager.findOneBy(StudentEntity, { studioId: studio.id, id: link.studentId });
      if (link === null || link.expiresAt <= now) throw new BadHomeLinkProblem();
      // Whoever is archived practises with nobody.
      if (student?.archivedAt !== null) throw new BadHomeLinkProblem();
      return work(scope, link);
    });
  }
}

function drillsOf(
  scope: Scope,
  student: StudentEntity,
  reading: Reading,
  rest: HomeRest | null,
): HomeDrill[] {
  const proposed = proposalsOf(reading, nextOptions(scope, student, reading)).map(
    ({ of: { subject, side, skill }, drill, chance, gate, isNew }) => ({
      ...{ subject, side, drill, chance, gate, isNew, cautions: skill.cautions },
    }),
  );
  return homeDrills(proposed, { isOverAllowance: rest === "allowance" }).map(
    ({ isNew: _new, ...drill }) => drill,
  );
}

/** The student's goals, each with what is left of its way and what of it was cleared lately. */
function goalsOf(scope: Scope, student: StudentEntity, reading: Reading): HomeGoal[] {
  const today = todayIn(scope);
  const lately = clearedIn(scope, reading, { from: dayAfter(today, -LATELY_DAYS), to: today });
  const { baseTest } = reading.syllabus;
  return goalsFor(scope, student, reading).map((goal) => {
    const under = new SideSet(underGoals(reading.syllabus, [goal]));
    return {
      goal,
      left: goalPath(reading, [goal])
        .steps.filter(({ of }) => of !== baseTest)
        .map(({ of: { subject, side } }) => ({ subject, side })),
      cleared: lately.filter((side) => under.has(side)),
    };
  });
}

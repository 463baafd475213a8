import type { ClassOptionsQuery, ClassStudentView, Items } from "@mirrup/contract";
import { classOptionsQuery, classOptionsReply, idParam } from "@mirrup/contract/schemas";
import { classOptions, underGoals } from "@mirrup/core/planning";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { Asking, Reading, Within } from "../door/index.js";
import type { Member, Scope } from "../database/scope.js";
import { LessonsService } from "../lessons/index.js";
import { loadsOf, proposalsOf, skillsReading, StandingsService } from "../standings/index.js";
import { goalsFor, nextOptions, PairsService, StopsService, StudentsService } from "../students/index.js";
import { leftToday, ropeOf } from "./today.js";

@Controller("lessons/:id/options")
export class ClassOptionsController {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly stops: StopsService,
    private readonly pairs: PairsService,
    private readonly lessons: LessonsService,
  ) {}

  @Get()
  @Reading({
    says: "What each student of a lesson could do at a station today, and what a minute of it is worth",
    for: "viewer",
    reply: classOptionsReply,
    pace: "heavy",
  })
  async list(
    @Within() scope: Scope,
    @Asking() member: Member,
    @Param("id", { schema: idParam }) lessonId: string,
    @Query({ schema: classOptionsQuery }) { missing }: ClassOptionsQuery,
  ): Promise<Items<ClassStudentView>> {
    const lesson = await this.lessons.read(scope, lessonId);
    const listed = new Set(lesson.students.map((one) => one.studentId));
    const students = (await this.students.list(scope)).filter((student) => listed.has(student.id));
    const ids = students.map((student) => student.id);
    const facts = await this.standings.factsOf(scope, students);
    const loads = await loadsOf(scope, ids);
    const stopped = await this.stops.today(scope);
    const paired = await this.pairs.pairedWith(scope, member.role === "viewer" ? [] : ids);
    const items = students.map((student): ClassStudentView => {
      const { id, name, heightMm } = student;
      const reading = skillsReading(scope, student, facts.get(id));
      const options = classOptions({
        reading,
        next: proposalsOf(reading, nextOptions(scope, student, reading)),
        underGoals: underGoals(reading.syllabus, goalsFor(scope, student, reading)),
        missing: new Set(missing),
      });
      const { isRestDay, ...left } = leftToday(scope, student, loads.get(id) ?? []);
      const multiplesLeft = isRestDay ? 0 : left.multiplesLeft;
      return {
        ...{ id, name, options, heightMm, hasStopped: stopped.has(id), ...left, multiplesLeft },
        ...ropeOf(scope, student),
        ...(paired.get(id) ?? { apart: [], together: [] }),
      };
    });
    return { items };
  }
}

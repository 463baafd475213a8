import type { GridView } from "@mirrup/contract";
import { gridQuery, gridReply } from "@mirrup/contract/schemas";
import { sideKey, sidesOf, skillOf, type Catalogue } from "@mirrup/core";
import { statusCodes } from "@mirrup/core/teaching";
import { Controller, Get, Query } from "@nestjs/common";
import { Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { MembersService } from "../groups/index.js";
import { skillsReading, StandingsService } from "../standings/index.js";
import { StudentsService } from "./students.service.js";

/** Every side of a catalogue, in the order in which standings come. */
function sideKeys(catalogue: Catalogue): readonly string[] {
  return catalogue.order.flatMap((id) => sidesOf(skillOf(catalogue, id)).map((side) => sideKey(id, side)));
}

@Controller("grid")
export class GridController {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly members: MembersService,
  ) {}

  @Get()
  @Reading({
    says: "Where every student of the studio, or of one group, stands: a character a side",
    for: "viewer",
    reply: gridReply,
  })
  async read(
    @Within() scope: Scope,
    @Query({ schema: gridQuery }) { group }: { readonly group?: string },
  ): Promise<GridView> {
    const inGroup =
      group === undefined ? null : new Set((await this.members.studentsOf(scope, [group])).get(group));
    const all = await this.students.list(scope);
    const students = inGroup === null ? all : all.filter((student) => inGroup.has(student.id));
    const facts = await this.standings.factsOf(scope, students);
    return {
      sides: sideKeys(scope.catalogue),
      students: students.map((student) => ({
        id: student.id,
        name: student.name,
        codes: statusCodes(skillsReading(scope, student, facts.get(student.id)).standings),
      })),
    };
  }
}

import { LOG_PAGE_SIZE, type LogKind, type LogPage, type LogQuery } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../../database/scope.js";
import { StandingsService } from "../../standings/index.js";
import { StudentsService } from "../students.service.js";
import { becameBySet, type BecameBySet } from "./became.js";
import { attended, measured, stopped } from "./events.js";
import { latestFirst, placeOf, placeText, type Asked, type Placed } from "./place.js";
import { counted, decided } from "./written.js";

const NOTHING: readonly Placed[] = [];

/** What a kind has before a place, by the words and the skill that are asked for. */
function read(
  scope: Scope,
  kind: LogKind,
  asked: Asked,
  became: BecameBySet,
): Promise<readonly Placed[]> | typeof NOTHING {
  const isOfAll = asked.subject === undefined;
  const isWordless = isOfAll && asked.text === undefined;
  switch (kind) {
    case "set":
    case "milestone":
      return counted(scope, asked, became, kind);
    case "decision":
      return decided(scope, asked);
    case "lesson":
      return isOfAll ? attended(scope, asked) : NOTHING;
    case "stop":
      return isWordless ? stopped(scope, asked) : NOTHING;
    case "jump":
      return isWordless ? measured(scope, asked) : NOTHING;
  }
}

const EVERYTHING = ["set", "decision", "lesson", "stop", "jump"] as const satisfies readonly LogKind[];

/** A student's log as one line of time. */
@Injectable()
export class TimelineService {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
  ) {}

  /** What happened before a place, or at the last. */
  async page(scope: Scope, studentId: string, { before, subject, kind, text }: LogQuery): Promise<LogPage> {
    const student = await this.students.getOrThrow(scope, studentId);
    const asked: Asked = { studentId, subject, text, before: before === undefined ? null : placeOf(before) };
    const facts = (await this.standings.factsOf(scope, [student])).get(studentId);
    const became: BecameBySet = facts === undefined ? new Map() : becameBySet(facts);
    const lines: Placed[] = [];
    for (const one of kind === undefined ? EVERYTHING : [kind]) {
      lines.push(...(await read(scope, one, asked, became)));
    }
    const page = lines.sort(latestFirst).slice(0, LOG_PAGE_SIZE);
    const last = page.at(-1);
    return {
      items: page.map(({ line }) => line),
      next: lines.length > page.length && last !== undefined ? placeText(last) : null,
    };
  }
}

import type { AuditAction, Role } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { DataSource, EntityManager } from "typeorm";
import { KeptElsewhereProblem, NoStudioProblem } from "../problems/problem.js";
import { StudioEntity } from "../studios/studio.entity.js";
import { catalogueIn, type StudioCatalogue } from "./catalogue.js";

/** Who asks, for which studio, as what: settled by the guard before any handler runs. */
export interface Member {
  readonly personId: string;
  readonly studioId: string;
  readonly role: Role;
}

/**
 * Whose data a piece of work may touch, what is taught there, and the transaction that it runs in. Every service takes
 * one first.
 */
export interface Scope extends StudioCatalogue {
  readonly studio: StudioEntity;
  /** Null for the work of a command, which nobody asked for over HTTP. */
  readonly personId: string | null;
  readonly manager: EntityManager;
  readonly now: Date;
  /** Whether anything may be written: a reading is one snapshot that PostgreSQL keeps from being changed. */
  readonly mode: Mode;
  /** What the audit trail may be told of this work: what its command declares. */
  readonly audits: Audits;
}

export type Mode = "read" | "write";
export type Audits = readonly AuditAction[] | "all";

/** A scope inside a transaction that was begun otherwise than by a route, as by signing in or by a command. */
export async function scopeIn(
  manager: EntityManager,
  { studio, personId, now }: Pick<Scope, "studio" | "personId" | "now">,
): Promise<Scope> {
  const taught = await catalogueIn(manager, studio);
  return { studio, ...taught, personId, manager, now, mode: "write", audits: "all" };
}

/** A scope that holds the school and the time zone by which facts are derived; only such a one may write facts. */
export type TeachingScope = Scope & { readonly holds: "teaching" };

/** Tells row-level security which studio's rows the transaction may see. */
export async function enterStudio(manager: EntityManager, studioId: string): Promise<void> {
  await manager.query("SELECT set_config('mirrup.studio', $1, true)", [studioId]);
}

/**
 * The scope with its studio as it is taught until the transaction ends: whoever derives facts from the log holds
 * the school and the time zone that they are derived by. Held before students are, by everybody.
 */
export async function holdTeaching(scope: Scope): Promise<TeachingScope> {
  const studio = await scope.manager.findOne(StudioEntity, {
    where: { id: scope.studio.id },
    lock: { mode: "pessimistic_read" },
  });
  if (studio === null) throw new NoStudioProblem();
  return holding({ ...scope, studio, ...(await catalogueIn(scope.manager, studio)) });
}

/** The scope of whoever holds the studio's row already, as whoever changes how it teaches does. */
export function holding(scope: Scope): TeachingScope {
  return { ...scope, holds: "teaching" };
}

/** A reading met facts of older rules: they are made anew first, which takes scopes that may write. */
export class StaleFacts extends Error {
  /** `mends` makes one student's anew each: in a transaction of its own it holds nobody else up. */
  constructor(readonly mends: readonly ((scope: Scope) => Promise<void>)[]) {
    super(`The facts of ${mends.length} students are of older rules.`);
  }
}

/**
 * Deadlock, serialization failure, two who store one id at once, and what was there a moment ago being deleted
 * meanwhile: all of it can be done again from the start, which then finds what is there. So can what was asked of a
 * record while it became part of another.
 */
const AGAIN = new Set(["40P01", "40001", "23505", "23503"]);
const MOST_TRIES = 3;
/** What may stand in a statement as it is. */
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

function isPassing(error: unknown): boolean {
  if (error instanceof KeptElsewhereProblem) return true;
  const code: unknown = Reflect.get(Object(error), "code");
  return typeof code === "string" && AGAIN.has(code);
}

/** For whom a piece of work runs, and what it may do. */
export interface Work {
  readonly studioId: string;
  readonly personId?: string;
  readonly mode?: Mode;
  readonly audits?: Audits;
}

@Injectable()
export class Scopes {
  constructor(@InjectDataSource() private readonly database: DataSource) {}

  /**
   * Runs `work` for a studio in one transaction, rolled back when it throws; again, where it only met another one.
   * A reading sees one snapshot and cannot write; one that meets facts of older rules runs again once they are made
   * anew, and where the rules are changed all the while, as one that can write.
   */
  async run<T>(asked: Work, work: (scope: Scope) => Promise<T>): Promise<T> {
    let { mode = "write" } = asked;
    for (let tries = 1; ; tries += 1) {
      try {
        return await this.once({ ...asked, mode }, work);
      } catch (error) {
        if (error instanceof StaleFacts) {
          if (tries >= MOST_TRIES) mode = "write";
          else for (const mend of error.mends) await this.run({ ...asked, mode: "write" }, mend);
        } else if (tries >= MOST_TRIES || !isPassing(error)) throw error;
      }
    }
  }

  private once<T>(asked: Work & { readonly mode: Mode }, work: (scope: Scope) => Promise<T>): Promise<T> {
    if (asked.mode === "read") return this.reading(asked, work);
    return this.database.transaction(async (manager) => {
      await enterStudio(manager, asked.studioId);
      return this.within(manager, asked, work);
    });
  }

  /** As `transaction` does it, with a snapshot's beginning and its studio in one message instead of four. */
  private async reading<T>(
    asked: Work & { readonly mode: Mode },
    work: (scope: Scope) => Promise<T>,
  ): Promise<T> {
    if (!UUID.test(asked.studioId)) throw new NoStudioProblem();
    const runner = this.database.createQueryRunner();
    let end = "ROLLBACK";
    try {
      await runner.query(
        `BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY; SET LOCAL mirrup.studio = '${asked.studioId}'`,
      );
      const answer = await this.within(runner.manager, asked, work);
      end = "COMMIT";
      return answer;
    } finally {
      // A connection that broke has ended its transaction, and what it broke by is thrown already.
      await runner.query(end).catch(() => undefined);
      await runner.release();
    }
  }

  private async within<T>(
    manager: EntityManager,
    { studioId, personId, mode, audits = "all" }: Work & { readonly mode: Mode },
    work: (scope: Scope) => Promise<T>,
  ): Promise<T> {
    const studio = await manager.findOneBy(StudioEntity, { id: studioId });
    if (studio === null) throw new NoStudioProblem();
    const taught = await catalogueIn(manager, studio);
    return work({ studio, ...taught, personId: personId ?? null, manager, now: new Date(), mode, audits });
  }
}

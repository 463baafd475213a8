import type { Role } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { DataSource, EntityManager } from "typeorm";
import { NoStudioProblem } from "../problems/problem.js";
import { StudioEntity } from "../studios/studio.entity.js";

/** Who asks, for which studio, as what: settled by the guard before any handler runs. */
export interface Member {
  readonly personId: string;
  readonly studioId: string;
  readonly role: Role;
}

/** Whose data a piece of work may touch, and the transaction that it runs in. Every service takes one first. */
export interface Scope {
  readonly studio: StudioEntity;
  /** Null for the work of a command, which nobody asked for over HTTP. */
  readonly personId: string | null;
  readonly manager: EntityManager;
  readonly now: Date;
}

/** Tells row-level security which studio's rows the transaction may see. */
export async function enterStudio(manager: EntityManager, studioId: string): Promise<void> {
  await manager.query("SELECT set_config('mirrup.studio', $1, true)", [studioId]);
}

/**
 * The scope with its studio as it is taught until the transaction ends: whoever derives facts from the log holds
 * the school and the time zone that they are derived by. Held before students are, by everybody.
 */
export async function holdTeaching(scope: Scope): Promise<Scope> {
  const studio = await scope.manager.findOne(StudioEntity, {
    where: { id: scope.studio.id },
    lock: { mode: "pessimistic_read" },
  });
  if (studio === null) throw new NoStudioProblem();
  return { ...scope, studio };
}

/**
 * Deadlock, serialization failure, two who store one id at once, and what was there a moment ago being deleted
 * meanwhile: all of it can be done again from the start, which then finds what is there.
 */
const AGAIN = new Set(["40P01", "40001", "23505", "23503"]);
const MOST_TRIES = 3;

function isPassing(error: unknown): boolean {
  const code: unknown = Reflect.get(Object(error), "code");
  return typeof code === "string" && AGAIN.has(code);
}

@Injectable()
export class Scopes {
  constructor(@InjectDataSource() private readonly database: DataSource) {}

  /**
   * Runs `work` for the member's studio in one transaction, rolled back when it throws; once more, where it only
   * met another one.
   */
  async run<T>(
    member: Pick<Member, "studioId"> & { readonly personId?: string },
    work: (scope: Scope) => Promise<T>,
  ): Promise<T> {
    for (let tries = 1; ; tries += 1) {
      try {
        return await this.once(member, work);
      } catch (error) {
        if (tries === MOST_TRIES || !isPassing(error)) throw error;
      }
    }
  }

  private once<T>(
    member: Pick<Member, "studioId"> & { readonly personId?: string },
    work: (scope: Scope) => Promise<T>,
  ): Promise<T> {
    return this.database.transaction(async (manager) => {
      await enterStudio(manager, member.studioId);
      const studio = await manager.findOneBy(StudioEntity, { id: member.studioId });
      if (studio === null) throw new NoStudioProblem();
      return work({ studio, personId: member.personId ?? null, manager, now: new Date() });
    });
  }
}

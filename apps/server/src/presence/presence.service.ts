import type {
  PresenceLeft,
  PresenceReply,
  PresenceRequest,
  PresenceView,
  RoundCounted,
} from "@mirrup/contract";
import { heldAfter, leftAfter, type Holding } from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import { In, IsNull, MoreThan } from "typeorm";
import { v7 as uuid } from "uuid";
import { PersonEntity } from "../auth/person.entity.js";
import type { Scope } from "../database/scope.js";
import { PresenceEntity } from "./presence.entity.js";

/** Nobody jumps for so long: whoever was last heard of before is not there. */
const LONGEST_MS = 12 * 3_600_000;

function holdingOf({
  tab,
  personId,
  since,
  seenAt,
  leftAt,
  turn,
  round,
}: PresenceEntity): Holding<RoundCounted> {
  const times = { since: since.getTime(), seenAt: seenAt.getTime(), leftAt: leftAt?.getTime() ?? null };
  return { tab, personId, turn, round, ...times };
}

/** Who is at a place, of what is known of it; null where nobody was today. */
function presentOf({ now }: Scope, row: PresenceEntity | null): Holding<RoundCounted> | null {
  return row === null || row.seenAt.getTime() <= now.getTime() - LONGEST_MS ? null : holdingOf(row);
}

function rowOf(
  { studio }: Scope,
  place: string,
  { since, seenAt, leftAt, ...held }: Holding<RoundCounted>,
): PresenceEntity {
  return {
    ...{ ...held, studioId: studio.id, place, since: new Date(since), seenAt: new Date(seenAt) },
    leftAt: leftAt === null ? null : new Date(leftAt),
  };
}

function viewOf(
  place: string,
  { tab, personId, since, seenAt }: Holding<RoundCounted>,
  names: ReadonlyMap<string, string>,
): PresenceView {
  const times = { since: new Date(since).toISOString(), seenAt: new Date(seenAt).toISOString() };
  return { place, tab, personId, name: names.get(personId) ?? "Somebody", ...times };
}

/** Who counts where, of the studio's devices. */
@Injectable()
export class PresenceService {
  async list(scope: Scope): Promise<PresenceView[]> {
    const rows = await scope.manager.findBy(PresenceEntity, {
      studioId: scope.studio.id,
      leftAt: IsNull(),
      seenAt: MoreThan(new Date(scope.now.getTime() - LONGEST_MS)),
    });
    const names = await this.namesOf(scope, rows);
    return rows
      .map((row) => viewOf(row.place, holdingOf(row), names))
      .sort((one, other) => (one.place < other.place ? -1 : 1));
  }

  /** A device is at a place, or asks for it. One who is there already is only told of, unless it is taken over. */
  async say(scope: Scope, { place, tab, turn, takesOver, round }: PresenceRequest): Promise<PresenceReply> {
    const { personId } = scope;
    if (personId === null) throw new Error("A command counts nowhere.");
    const row = await this.hold(scope, place);
    const before = presentOf(scope, row);
    const asked = { tab, personId, turn, takesOver, round };
    const held = heldAfter(before, asked, uuid(), scope.now.getTime());
    if (held !== before) {
      const kept = rowOf(scope, place, held);
      // Of two who are the first ever at a place, one inserts: the other is tried again, and finds them there.
      if (row === null) await scope.manager.insert(PresenceEntity, kept);
      else await scope.manager.save(PresenceEntity, kept);
    }
    const names = await this.namesOf(scope, [held]);
    const isYours = held.tab === tab;
    return {
      holder: viewOf(place, held, names),
      isYours,
      turn: held.turn,
      round: isYours && held.turn !== turn ? held.round : null,
      isNews: before?.turn !== held.turn || (before.leftAt === null) !== (held.leftAt === null),
    };
  }

  async leave(scope: Scope, { place, ...left }: PresenceLeft): Promise<void> {
    const before = presentOf(scope, await this.hold(scope, place));
    if (before === null) return;
    const held = leftAfter(before, left, scope.now.getTime());
    if (held !== before) await scope.manager.save(PresenceEntity, rowOf(scope, place, held));
  }

  /** What is known of the place, held until the transaction ends; null where nobody ever was. */
  private hold({ studio, manager }: Scope, place: string): Promise<PresenceEntity | null> {
    return manager.findOne(PresenceEntity, {
      where: { studioId: studio.id, place },
      lock: { mode: "for_no_key_update" },
    });
  }

  private async namesOf(
    scope: Scope,
    rows: readonly { readonly personId: string }[],
  ): Promise<ReadonlyMap<string, string>> {
    const ids = [...new Set(rows.map((row) => row.personId))];
    const people = await scope.manager.findBy(PersonEntity, { id: In(ids) });
    return new Map(people.map((person) => [person.id, person.name]));
  }
}

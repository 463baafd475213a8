import type { DoneSide } from "@mirrup/contract";
import { DAY_MS, localDate, missCount, sideKey, type LocalDate } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { Between, In, MoreThanOrEqual } from "typeorm";
import type { Scope } from "../database/scope.js";
import { DecisionEntity, SetEntity, voidedBy } from "../log/index.js";

/** What students did on a day, from the sets of that day alone. */
@Injectable()
export class DoneService {
  async of(scope: Scope, day: LocalDate, studentIds: readonly string[]): Promise<DoneSide[]> {
    const studioId = scope.studio.id;
    const studentId = In([...studentIds]);
    // A day of the studio's lies within a day of the same name in UTC and the half before and after it.
    const noon = Date.parse(`${day}T12:00:00Z`);
    const around = Between(new Date(noon - DAY_MS), new Date(noon + DAY_MS));
    const sets = await scope.manager.findBy(SetEntity, { studioId, studentId, happenedAt: around });
    const since = MoreThanOrEqual(new Date(noon - DAY_MS));
    const later = await scope.manager.findBy(DecisionEntity, { studioId, studentId, happenedAt: since });
    const voided = voidedBy(later);
    const sums = new Map<string, DoneSide>();
    for (const set of sets) {
      const isOfDay = localDate(set.happenedAt.getTime(), scope.studio.timeZone) === day;
      // What was practised alone is told apart.
      if (!isOfDay || voided.has(set.id) || set.countedBy === "student") continue;
      const { studentId: whose, subject, side, clean, misses, bestStreak } = set;
      const key = `${whose} ${sideKey(subject, side)}`;
      const sum = sums.get(key);
      sums.set(key, {
        ...{ studentId: whose, subject, side },
        sets: (sum?.sets ?? 0) + 1,
        tries: (sum?.tries ?? 0) + clean + missCount(misses),
        clean: (sum?.clean ?? 0) + clean,
        bestStreak: Math.max(sum?.bestStreak ?? 0, bestStreak),
      });
    }
    return [...sums.values()];
  }
}

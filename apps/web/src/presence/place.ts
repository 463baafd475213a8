/** The places at which somebody counts, as devices name them to each other. */
import type { SideName } from "@mirrup/core";

export function stationPlace(lessonId: string, turn: number, station: number): string {
  return `station ${lessonId} ${turn} ${station}`;
}

export function roundPlace(groupId: string, subject: string): string {
  return `round ${groupId} ${subject}`;
}

export function floorPlace(studentId: string, subject: string, side: SideName): string {
  return `floor ${studentId} ${subject} ${side}`;
}

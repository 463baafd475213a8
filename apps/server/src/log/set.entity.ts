import type { CountedBy, LoggedDrill, Miss, SideName } from "@mirrup/core";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** One line of the log: a set as it was sent, never edited. */
@Entity("practice_set")
export class SetEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  /** Made by the client. */
  @PrimaryColumn("uuid")
  id!: string;

  @Column("uuid", { name: "student_id" })
  studentId!: string;

  @Column("text")
  subject!: string;

  @Column("text")
  side!: SideName;

  @Column("jsonb")
  drill!: LoggedDrill;

  /** The chance that was said of it, where a proposal was acted on. */
  @Column("double precision", { nullable: true })
  said!: number | null;

  @Column("integer")
  clean!: number;

  @Column("jsonb")
  misses!: readonly Miss[];

  @Column("integer", { name: "best_streak" })
  bestStreak!: number;

  @Column("double precision", { nullable: true })
  seconds!: number | null;

  /** When its clean tries were tapped or sensed; nothing where nobody did. */
  @Column("jsonb", { nullable: true })
  ticks!: readonly number[] | null;

  @Column("text", { name: "counted_by" })
  countedBy!: CountedBy;

  /** Who sent it; nobody for what a student counted alone, or once that person has left no account. */
  @Column("uuid", { name: "person_id", nullable: true })
  personId!: string | null;

  /** The device's clock. */
  @Column("timestamptz", { name: "device_at" })
  deviceAt!: Date;

  @Column("timestamptz", { name: "received_at" })
  receivedAt!: Date;

  /** When it counts as having happened: the device's time, or that of receipt where its clock ran ahead. */
  @Column("timestamptz", { name: "happened_at" })
  happenedAt!: Date;

  @Column("text", { name: "catalogue_version" })
  catalogueVersion!: string;
}

/** What of a line bears on a student's standing: all that is read of it where a whole log is. */
export type LogSet = Pick<
  SetEntity,
  | "id"
  | "studentId"
  | "subject"
  | "side"
  | "drill"
  | "clean"
  | "misses"
  | "bestStreak"
  | "seconds"
  | "said"
  | "countedBy"
  | "happenedAt"
>;
export const LOG_SET_FIELDS: readonly (keyof LogSet)[] = [
  ...(["id", "studentId", "subject", "side", "drill", "clean", "misses"] as const),
  ...(["bestStreak", "seconds", "said", "countedBy", "happenedAt"] as const),
];

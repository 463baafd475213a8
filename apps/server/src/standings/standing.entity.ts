import type { PlacementAnswer, SideName } from "@mirrup/core";
import type { Clearing, LessonFacts, Milestone, Review, RungFacts } from "@mirrup/core/teaching";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** The facts of one student, subject and side, kept in step with the log; status is derived on reading. */
@Entity("standing")
export class StandingEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;

  @PrimaryColumn("text")
  subject!: string;

  @PrimaryColumn("text")
  side!: SideName;

  /** The gate that `gateBest` and the clearing were judged by. */
  @Column("text")
  gate!: string;

  @Column("double precision")
  clean!: number;

  @Column("double precision")
  missed!: number;

  @Column("timestamptz", { name: "counted_at", nullable: true })
  countedAt!: Date | null;

  @Column("integer")
  sets!: number;

  @Column("integer", { name: "best_streak" })
  bestStreak!: number;

  @Column("integer", { name: "gate_best" })
  gateBest!: number;

  @Column("timestamptz", { name: "cleared_at", nullable: true })
  clearedAt!: Date | null;

  @Column("text", { name: "cleared_by", nullable: true })
  clearedBy!: Clearing["by"] | null;

  @Column("integer", { name: "cleared_count", nullable: true })
  clearedCount!: number | null;

  @Column("timestamptz", { name: "reopened_at", nullable: true })
  reopenedAt!: Date | null;

  @Column("jsonb", { nullable: true })
  review!: Review | null;

  @Column("jsonb")
  milestones!: readonly Milestone[];

  @Column("jsonb")
  lessons!: readonly LessonFacts[];

  @Column("jsonb")
  rungs!: Readonly<Record<string, RungFacts>>;

  @Column("text", { nullable: true })
  placed!: PlacementAnswer | null;

  @Column("timestamptz", { name: "presumed_at", nullable: true })
  presumedAt!: Date | null;

  @Column("timestamptz", { name: "last_at", nullable: true })
  lastAt!: Date | null;

  /** The last entry that the facts hold, in the log's order: what comes before it asks for a new fold. */
  @Column("timestamptz", { name: "folded_at" })
  foldedAt!: Date;

  @Column("uuid", { name: "folded_id" })
  foldedId!: string;
}

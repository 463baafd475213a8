import type { LessonPlan, LessonProgress } from "@mirrup/contract";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** A class at a day and hour: planned or not yet, held or still to come. */
@Entity("lesson")
export class LessonEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  /** Made by the client. */
  @PrimaryColumn("uuid")
  id!: string;

  @Column("uuid", { name: "group_id", nullable: true })
  groupId!: string | null;

  @Column("text")
  title!: string;

  @Column("date")
  day!: string;

  @Column("text", { name: "start_time", nullable: true })
  startTime!: string | null;

  @Column("integer")
  minutes!: number;

  @Column("text")
  place!: string;

  @Column("jsonb", { nullable: true })
  plan!: LessonPlan | null;

  @Column("jsonb", { nullable: true })
  progress!: LessonProgress | null;

  @Column("timestamptz", { name: "finished_at", nullable: true })
  finishedAt!: Date | null;

  /** When it was last said whether it is over, by the server's clock. */
  @Column("timestamptz", { name: "finished_said_at", nullable: true })
  finishedSaidAt!: Date | null;

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;

  @Column("integer")
  version!: number;
}

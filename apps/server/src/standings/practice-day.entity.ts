import type { SideName } from "@mirrup/core";
import type { PracticeSums } from "@mirrup/core/teaching";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** What a student did at a side on one day; kept in step with the log, so that a record is read without it. */
@Entity("practice_day")
export class PracticeDayEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;

  @PrimaryColumn("date")
  day!: string;

  @PrimaryColumn("text")
  subject!: string;

  @PrimaryColumn("text")
  side!: SideName;

  @Column("jsonb")
  sums!: PracticeSums;
}

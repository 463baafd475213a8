import { Column, Entity, PrimaryColumn } from "typeorm";

/** What a lesson asked of one student's legs; kept in step with the log. */
@Entity("lesson_load")
export class LessonLoadEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;

  @PrimaryColumn("date")
  day!: string;

  /** Weighted landings. */
  @Column("double precision")
  landings!: number;

  /** Of these, the landings of sets that nobody counted try by try. */
  @Column("double precision")
  estimated!: number;

  /** Jumps with two turns or more. */
  @Column("integer")
  multiples!: number;
}

import type { Attendance, LessonPlace } from "@mirrup/contract";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** One student in one lesson: whether they come, and what they do in each turn. */
@Entity("lesson_student")
export class LessonStudentEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "lesson_id" })
  lessonId!: string;

  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;

  @Column("text")
  attendance!: Attendance;

  /** When that was said, by the server's clock; null where nobody has said it. */
  @Column("timestamptz", { name: "attendance_said_at", nullable: true })
  attendanceSaidAt!: Date | null;

  /** Whether they have a rope along; null where it is as their record says. */
  @Column("boolean", { name: "own_rope", nullable: true })
  ownRope!: boolean | null;

  @Column("timestamptz", { name: "own_rope_said_at", nullable: true })
  ownRopeSaidAt!: Date | null;

  @Column("jsonb")
  places!: readonly (LessonPlace | null)[];
}

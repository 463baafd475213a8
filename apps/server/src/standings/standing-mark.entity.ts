import type { SideName } from "@mirrup/core";
import type { SideFacts } from "@mirrup/core/teaching";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** The facts of one student, subject and side as they stood after an entry, and before the next lesson. */
@Entity("standing_mark")
export class StandingMarkEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;

  @PrimaryColumn("text")
  subject!: string;

  @PrimaryColumn("text")
  side!: SideName;

  /** The last entry that the facts hold. */
  @PrimaryColumn("timestamptz", { name: "folded_at" })
  foldedAt!: Date;

  @PrimaryColumn("uuid", { name: "folded_id" })
  foldedId!: string;

  @Column("jsonb")
  facts!: SideFacts;
}

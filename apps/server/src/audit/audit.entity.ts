import type { AuditAction } from "@mirrup/contract";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** Who did what. It names no student: the id goes when the student does. */
@Entity("audit")
export class AuditEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid")
  id!: string;

  @Column("timestamptz")
  at!: Date;

  @Column("uuid", { name: "person_id", nullable: true })
  personId!: string | null;

  @Column("text")
  action!: AuditAction;

  @Column("uuid", { name: "student_id", nullable: true })
  studentId!: string | null;

  /** The address, role, or skill and side that it was about; never a student's name. */
  @Column("text", { nullable: true })
  about!: string | null;
}

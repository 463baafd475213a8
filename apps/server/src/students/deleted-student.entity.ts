import { createHash } from "node:crypto";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** That a student was deleted, and nothing else about them: devices must be told at their next contact. */
@Entity("deleted_student")
export class DeletedStudentEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  /** The hash of the id, since the id itself is a trace of the student. */
  @PrimaryColumn("text", { name: "id_hash" })
  idHash!: string;

  @Column("timestamptz", { name: "deleted_at" })
  deletedAt!: Date;
}

export function hashOfId(studentId: string): string {
  return createHash("sha256").update(studentId).digest("hex");
}

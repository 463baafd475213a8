import { Column, Entity, PrimaryColumn } from "typeorm";

/** A student's link to their own practice, known by the hash of its token alone. */
@Entity("home_link")
export class HomeLinkEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  /** One link a student: another one ends it. */
  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;

  @Column("text", { name: "token_hash" })
  tokenHash!: string;

  /** Whether a guardian was said to know of it and to agree. */
  @Column("boolean")
  agreed!: boolean;

  @Column("timestamptz", { name: "made_at" })
  madeAt!: Date;

  @Column("timestamptz", { name: "expires_at" })
  expiresAt!: Date;
}

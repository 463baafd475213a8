import type { SideName } from "@mirrup/core";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** A side that newer rules read otherwise than the older ones did, until the owner has seen it. */
@Entity("rules_change")
export class RulesChangeEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;

  @PrimaryColumn("text")
  subject!: string;

  @PrimaryColumn("text")
  side!: SideName;

  /** Cleared now and not before; else the reverse. */
  @Column("boolean", { name: "is_cleared" })
  isCleared!: boolean;

  @Column("timestamptz")
  at!: Date;
}

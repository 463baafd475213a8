import type { LoggedDecision } from "@mirrup/contract";
import type { SideName } from "@mirrup/core";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** One line of the log: what someone decided about a student's skill side, never edited. */
@Entity("decision")
export class DecisionEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  /** Made by the client. */
  @PrimaryColumn("uuid")
  id!: string;

  @Column("uuid", { name: "student_id" })
  studentId!: string;

  @Column("text")
  subject!: string;

  @Column("text")
  side!: SideName;

  @Column("jsonb")
  decision!: LoggedDecision;

  @Column("text")
  reason!: string;

  /** Who decided; null for the work of a command, and once the person is gone. */
  @Column("uuid", { name: "person_id", nullable: true })
  personId!: string | null;

  @Column("timestamptz", { name: "device_at" })
  deviceAt!: Date;

  @Column("timestamptz", { name: "received_at" })
  receivedAt!: Date;

  /** When it counts as having happened: the device's time, or that of receipt where its clock ran ahead. */
  @Column("timestamptz", { name: "happened_at" })
  happenedAt!: Date;
}

import { Column, Entity, PrimaryColumn } from "typeorm";

/** That a student stopped early on a day of the studio's. Why is never kept. */
@Entity("early_stop")
export class EarlyStopEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;

  @PrimaryColumn("date")
  day!: string;

  /** False once it was taken back. */
  @Column("boolean")
  stops!: boolean;

  /** When that was said last, by the server's clock. */
  @Column("timestamptz", { name: "said_at" })
  saidAt!: Date;
}

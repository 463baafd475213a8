import type { JumpWay } from "@mirrup/contract";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** How high a student jumped, as somebody measured it. */
@Entity("jump")
export class JumpEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;

  @PrimaryColumn("uuid")
  id!: string;

  @Column("smallint")
  turns!: number;

  @Column("smallint", { name: "height_mm" })
  heightMm!: number;

  @Column("smallint", { name: "contact_ms" })
  contactMs!: number;

  @Column("smallint", { nullable: true })
  landings!: number | null;

  @Column("text")
  way!: JumpWay;

  @Column("timestamptz", { name: "measured_at" })
  measuredAt!: Date;

  @Column("boolean")
  removed!: boolean;

  /** When it was said last, by the server's clock. */
  @Column("timestamptz", { name: "said_at" })
  saidAt!: Date;
}

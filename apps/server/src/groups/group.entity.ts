import { Column, Entity, PrimaryColumn } from "typeorm";

/** Students who are taught together. */
@Entity("student_group")
export class GroupEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid")
  id!: string;

  @Column("text")
  name!: string;

  /** 1 is Monday. */
  @Column("smallint", { nullable: true })
  weekday!: number | null;

  @Column("text", { name: "start_time", nullable: true })
  startTime!: string | null;

  @Column("text")
  place!: string;

  @Column("timestamptz", { name: "archived_at", nullable: true })
  archivedAt!: Date | null;

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;

  @Column("integer")
  version!: number;
}

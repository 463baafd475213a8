import type { SettingValues } from "@mirrup/catalogue";
import type { SchoolId } from "@mirrup/core";
import { Column, Entity, PrimaryColumn } from "typeorm";

@Entity("studio")
export class StudioEntity {
  @PrimaryColumn("uuid")
  id!: string;

  @Column("text")
  name!: string;

  /** An IANA name; lessons are the days of this zone. */
  @Column("text", { name: "time_zone" })
  timeZone!: string;

  @Column("text")
  school!: SchoolId;

  @Column("jsonb")
  settings!: SettingValues;

  /** Counts the changes, so that a stale one can be told. */
  @Column("integer")
  version!: number;

  @Column("boolean", { name: "is_demo" })
  isDemo!: boolean;

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;
}

export const NEW_STUDIO = { settings: {}, version: 1 } as const;

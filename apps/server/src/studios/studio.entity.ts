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

  /** The shape of the facts that the studio's standings are kept in. */
  @Column("integer", { name: "facts_version" })
  factsVersion!: number;

  @Column("boolean", { name: "is_demo" })
  isDemo!: boolean;

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;
}

/** Counts the shapes that facts have had; facts of an older one are made anew from the log at start. */
export const FACTS_VERSION = 3;

export const NEW_STUDIO = { settings: {}, version: 1, factsVersion: FACTS_VERSION } as const;

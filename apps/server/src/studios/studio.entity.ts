import type { SettingValues } from "@mirrup/catalogue";
import type { SchoolId } from "@mirrup/core";
import type { StoredModel } from "@mirrup/core/teaching";
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

  /** What the studio teaches otherwise than the catalogue that ships; null where nothing. */
  @Column("uuid", { name: "overlay_id", nullable: true })
  overlayId!: string | null;

  /** Counts the changes, so that a stale one can be told. */
  @Column("integer")
  version!: number;

  @Column("boolean", { name: "is_demo" })
  isDemo!: boolean;

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;

  /** The learner model as the studio's own log has it, whatever build wrote it; null for the handbook's. */
  @Column("jsonb")
  model!: StoredModel | null;

  /** How many sets there were when it was made, and when that was. */
  @Column("integer", { name: "model_sets" })
  modelSets!: number;

  @Column("timestamptz", { name: "model_at", nullable: true })
  modelAt!: Date | null;
}

export const NEW_STUDIO = {
  ...{ settings: {}, version: 1, overlayId: null },
  ...{ model: null, modelSets: 0, modelAt: null },
} as const;

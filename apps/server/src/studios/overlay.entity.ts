import type { OverlayEntry } from "@mirrup/core";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** One edition of what a studio teaches otherwise than the catalogue that ships; never changed once it is there. */
@Entity("studio_overlay")
export class OverlayEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid")
  id!: string;

  /** Counts the studio's editions. */
  @Column("integer")
  edition!: number;

  @Column("jsonb")
  entries!: Readonly<Record<string, OverlayEntry>>;

  /** Which skills this edition changed. */
  @Column("text", { array: true })
  subjects!: string[];

  /** Null once that person has left no account. */
  @Column("uuid", { name: "person_id", nullable: true })
  personId!: string | null;

  @Column("timestamptz", { name: "made_at" })
  madeAt!: Date;
}

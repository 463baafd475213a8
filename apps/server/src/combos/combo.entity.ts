import type { ComboPart } from "@mirrup/core/combos";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** A combo of the studio. Its parts never change: sets are logged about them. */
@Entity("combo")
export class ComboEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  /** Made by the client. */
  @PrimaryColumn("uuid")
  id!: string;

  @Column("text")
  name!: string;

  /** What to mind in it; empty for nothing. */
  @Column("text")
  note!: string;

  @Column("jsonb")
  parts!: readonly ComboPart[];

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;

  @Column("timestamptz", { name: "removed_at", nullable: true })
  removedAt!: Date | null;

  /** Of the secret in its link; null where it has none. */
  @Column("text", { name: "link_hash", nullable: true })
  linkHash!: string | null;

  @Column("timestamptz", { name: "linked_at", nullable: true })
  linkedAt!: Date | null;

  @Column("integer")
  version!: number;
}

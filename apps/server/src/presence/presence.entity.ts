import type { RoundCounted } from "@mirrup/contract";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** A place at which somebody counts, or did today. */
@Entity("presence")
export class PresenceEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("text")
  place!: string;

  @Column("uuid")
  tab!: string;

  @Column("uuid", { name: "person_id" })
  personId!: string;

  @Column("timestamptz")
  since!: Date;

  @Column("timestamptz", { name: "seen_at" })
  seenAt!: Date;

  @Column("timestamptz", { name: "left_at", nullable: true })
  leftAt!: Date | null;

  /** Names the last turn of hands. */
  @Column("uuid")
  turn!: string;

  @Column("jsonb", { nullable: true })
  round!: RoundCounted | null;
}

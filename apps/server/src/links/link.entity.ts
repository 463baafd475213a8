import type { Role } from "@mirrup/contract";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** A one-time link, known by the hash of its token alone. */
@Entity("one_time_link")
export class LinkEntity {
  @PrimaryColumn("text", { name: "token_hash" })
  tokenHash!: string;

  @Column("text")
  kind!: "invitation" | "reset";

  @Column("text")
  email!: string;

  @Column("uuid", { name: "studio_id", nullable: true })
  studioId!: string | null;

  @Column("text", { nullable: true })
  role!: Role | null;

  @Column("timestamptz", { name: "expires_at" })
  expiresAt!: Date;

  @Column("timestamptz", { name: "used_at", nullable: true })
  usedAt!: Date | null;
}

import type { Role } from "@mirrup/contract";
import { Column, Entity, PrimaryColumn } from "typeorm";

@Entity("membership")
export class MembershipEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "person_id" })
  personId!: string;

  @Column("text")
  role!: Role;
}

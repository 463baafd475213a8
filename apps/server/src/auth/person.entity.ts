import { Column, Entity, PrimaryColumn } from "typeorm";

/** Someone who can sign in. People belong to studios, not studios to people: a person has no studio of their own. */
@Entity("person")
export class PersonEntity {
  @PrimaryColumn("uuid")
  id!: string;

  /** In lower case. */
  @Column("text")
  email!: string;

  @Column("text")
  name!: string;

  @Column("text", { name: "password_hash" })
  passwordHash!: string;

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;
}

import { Column, Entity, PrimaryColumn } from "typeorm";

@Entity("mail")
export class MailEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid")
  id!: string;

  @Column("text")
  recipient!: string;

  @Column("text")
  subject!: string;

  @Column("text")
  body!: string;

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;
}

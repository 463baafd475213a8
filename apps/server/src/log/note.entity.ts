import { Column, Entity, PrimaryColumn } from "typeorm";

/** What a coach noted to a set; an empty text is one that was taken back. */
@Entity("set_note")
export class SetNoteEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "set_id" })
  setId!: string;

  @Column("text")
  text!: string;

  /** When that was said last, by the server's clock. */
  @Column("timestamptz", { name: "said_at" })
  saidAt!: Date;
}

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

  /** Sealed; empty once it has left or its link is of no use any more. */
  @Column("text")
  body!: string;

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;

  /** Whether it is to leave by itself: there was a mail server when it was written. */
  @Column("boolean")
  queued!: boolean;

  @Column("integer")
  tries!: number;

  /** When it is tried next; null for never again. */
  @Column("timestamptz", { name: "next_try_at", nullable: true })
  nextTryAt!: Date | null;

  @Column("timestamptz", { name: "sent_at", nullable: true })
  sentAt!: Date | null;

  /** What the mail server said last. */
  @Column("text", { nullable: true })
  trouble!: string | null;
}

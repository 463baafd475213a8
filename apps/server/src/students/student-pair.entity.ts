import type { PairWish } from "@mirrup/contract";
import { Column, Entity, PrimaryColumn } from "typeorm";

/** Two students who are to be at no station of a class together, or at the same. Why is never kept. */
@Entity("student_pair")
export class StudentPairEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  /** The smaller id of the two. */
  @PrimaryColumn("uuid", { name: "one_id" })
  oneId!: string;

  @PrimaryColumn("uuid", { name: "other_id" })
  otherId!: string;

  @Column("text")
  wish!: PairWish;
}

import { Entity, PrimaryColumn } from "typeorm";

@Entity("group_member")
export class GroupMemberEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid", { name: "group_id" })
  groupId!: string;

  @PrimaryColumn("uuid", { name: "student_id" })
  studentId!: string;
}

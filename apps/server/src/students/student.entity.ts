import type { SettingValues } from "@mirrup/catalogue";
import type { CautionCode, Gate, RopeUse, SchoolId } from "@mirrup/core";
import type { Goal } from "@mirrup/core/teaching";
import { Column, Entity, PrimaryColumn } from "typeorm";

@Entity("student")
export class StudentEntity {
  @PrimaryColumn("uuid", { name: "studio_id" })
  studioId!: string;

  @PrimaryColumn("uuid")
  id!: string;

  @Column("text")
  name!: string;

  @Column("smallint", { name: "birth_year", nullable: true })
  birthYear!: number | null;

  @Column("real", { name: "years_jumping", nullable: true })
  yearsJumping!: number | null;

  @Column("integer", { name: "height_mm", nullable: true })
  heightMm!: number | null;

  @Column("text", { name: "dominant_hand", nullable: true })
  dominantHand!: "left" | "right" | null;

  @Column("text", { name: "stronger_side", nullable: true })
  strongerSide!: "left" | "right" | null;

  @Column("text", { name: "rope_kind", nullable: true })
  ropeKind!: string | null;

  @Column("integer", { name: "rope_length_mm", nullable: true })
  ropeLengthMm!: number | null;

  @Column("text", { name: "rope_use" })
  ropeUse!: RopeUse;

  @Column("text", { name: "home_step", nullable: true })
  homeStep!: string | null;

  @Column("jsonb")
  goals!: readonly Goal[];

  /** Null for the studio's. */
  @Column("text", { nullable: true })
  school!: SchoolId | null;

  @Column("jsonb")
  settings!: SettingValues;

  /** Gates set otherwise, by skill: what the log's override decisions come to. */
  @Column("jsonb")
  gates!: Readonly<Record<string, Gate>>;

  @Column("text")
  notes!: string;

  @Column("jsonb")
  cautions!: readonly CautionCode[];

  @Column("timestamptz", { name: "archived_at", nullable: true })
  archivedAt!: Date | null;

  /** Another record of the same child, that this one is part of: it is archived, and its log is in that one's. */
  @Column("uuid", { name: "same_as", nullable: true })
  sameAs!: string | null;

  @Column("timestamptz", { name: "created_at" })
  createdAt!: Date;

  /** Counts the changes, so that a stale one can be told. */
  @Column("integer")
  version!: number;

  /** The rules that the student's facts were made by; others make them anew before they are read. */
  @Column("text", { name: "facts_rules" })
  factsRules!: string;

  /** Counts how often the student's facts were written. */
  @Column("integer", { name: "facts_edition" })
  factsEdition!: number;
}

/** A student of whom only the name is known. */
export const NEW_STUDENT = {
  birthYear: null,
  yearsJumping: null,
  heightMm: null,
  dominantHand: null,
  strongerSide: null,
  ropeKind: null,
  ropeLengthMm: null,
  ropeUse: "beginner",
  homeStep: null,
  goals: [],
  school: null,
  settings: {},
  gates: {},
  notes: "",
  cautions: [],
  archivedAt: null,
  sameAs: null,
  version: 1,
  factsRules: "",
  factsEdition: 0,
} as const satisfies Omit<StudentEntity, "studioId" | "id" | "name" | "createdAt">;

/** The side that is drilled first where a skill has two. */
export function leadingSide(student: Pick<StudentEntity, "strongerSide" | "dominantHand">): "left" | "right" {
  return student.strongerSide ?? student.dominantHand ?? "right";
}

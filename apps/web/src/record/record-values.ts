/** The record as a form holds it, and as the server takes it. */
import type { SettingValues } from "@mirrup/catalogue";
import type { StudentChange, StudentDetail } from "@mirrup/contract";
import { CAUTION_CODES, ROPE_USES, SCHOOL_IDS, type CautionCode } from "@mirrup/core";
import type { Goal } from "@mirrup/core/teaching";
import { lengthIn, millimetresOf, type LengthUnit } from "../app/words.js";

/** An empty field is an empty text, as inputs have it. */
export interface RecordValues {
  readonly name: string;
  readonly birthYear: number | string;
  readonly yearsJumping: number | string;
  readonly height: number | string;
  readonly dominantHand: string;
  readonly strongerSide: string;
  readonly ropeKind: string;
  readonly ropeLength: number | string;
  readonly ropeUse: string;
  readonly homeStep: string;
  readonly goals: readonly Goal[];
  readonly school: string;
  readonly settings: SettingValues;
  /** With another school: keep what it would reopen. */
  readonly keepCleared: boolean;
  readonly groups: readonly string[];
  readonly notes: string;
  readonly cautions: readonly CautionCode[];
}

export function valuesOf(detail: StudentDetail, unit: LengthUnit): RecordValues {
  const length = (millimetres: number | null) => (millimetres === null ? "" : lengthIn(millimetres, unit));
  return {
    name: detail.name,
    birthYear: detail.birthYear ?? "",
    yearsJumping: detail.yearsJumping ?? "",
    height: length(detail.heightMm),
    dominantHand: detail.dominantHand ?? "",
    strongerSide: detail.strongerSide ?? "",
    ropeKind: detail.ropeKind ?? "",
    ropeLength: length(detail.ropeLengthMm),
    ropeUse: detail.ropeUse,
    homeStep: detail.homeStep ?? "",
    goals: detail.goals,
    school: detail.school ?? "",
    settings: detail.settings,
    keepCleared: true,
    groups: detail.groups,
    notes: detail.notes,
    cautions: detail.cautions,
  };
}

function numberOf(field: number | string): number | null {
  return field === "" ? null : Number(field);
}

function lengthOf(field: number | string, unit: LengthUnit): number | null {
  const length = numberOf(field);
  return length === null ? null : millimetresOf(length, unit);
}

const HANDS = ["left", "right"] as const;

/** The fields that differ from `detail`, as a change made from it. */
export function changeOf(detail: StudentDetail, values: RecordValues, unit: LengthUnit): StudentChange {
  const all = {
    name: values.name.trim(),
    birthYear: numberOf(values.birthYear),
    yearsJumping: numberOf(values.yearsJumping),
    heightMm: lengthOf(values.height, unit),
    dominantHand: HANDS.find((hand) => hand === values.dominantHand) ?? null,
    strongerSide: HANDS.find((side) => side === values.strongerSide) ?? null,
    ropeKind: values.ropeKind.trim() === "" ? null : values.ropeKind.trim(),
    ropeLengthMm: lengthOf(values.ropeLength, unit),
    ropeUse: ROPE_USES.find((use) => use === values.ropeUse) ?? detail.ropeUse,
    homeStep: values.homeStep === "" ? null : values.homeStep,
    goals: values.goals,
    school: SCHOOL_IDS.find((school) => school === values.school) ?? null,
    settings: values.settings,
    groups: values.groups,
    notes: values.notes,
    cautions: CAUTION_CODES.filter((code) => values.cautions.includes(code)),
  };
  const before = valuesOf(detail, unit);
  const fields = Object.entries(all).filter(([key]) => {
    const name = FIELD_OF[key] ?? key;
    return JSON.stringify(Reflect.get(before, name)) !== JSON.stringify(Reflect.get(values, name));
  });
  const change: StudentChange = { version: detail.version, ...Object.fromEntries(fields) };
  return "school" in change ? { ...change, keepCleared: values.keepCleared } : change;
}

/** Fields of the form that stand for a stored length. */
const FIELD_OF: Readonly<Record<string, string>> = { heightMm: "height", ropeLengthMm: "ropeLength" };

/** Errors by the server's fields as errors by the form's. */
export function formErrors(errors: Readonly<Record<string, string>>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(errors).map(([field, message]) => {
      const [root = field] = field.split(/[.[]/);
      return [FIELD_OF[root] ?? root, message];
    }),
  );
}

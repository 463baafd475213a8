/** What is taught, for what a page works out by itself: ladders and evidence. Gates come with the standings. */
import { mannerOf, SCHOOLS, type SettingValues } from "@mirrup/catalogue";
import {
  NO_OVERLAY,
  overlayGates,
  syllabusOf,
  type Gate,
  type SideName,
  type Side,
  type Syllabus,
} from "@mirrup/core";
import { catalogue, ofCatalogue, ownCatalogue } from "./catalogue.js";

const SCHOOL_ID = "quick-frontier";
const SCHOOL = SCHOOLS[SCHOOL_ID];

/** Drills and what they are evidence for depend on no school. */
export const syllabus: () => Syllabus = ofCatalogue((of) =>
  syllabusOf({
    catalogue: of,
    school: SCHOOL,
    overrides: [overlayGates(ownCatalogue() ?? NO_OVERLAY, SCHOOL_ID)],
  }),
);

/** A side with the gate that is in force for a student; null for one that the catalogue has not. */
export function sideWithGate(
  subject: string,
  side: SideName,
  gate: Gate,
  settings: readonly SettingValues[] = [],
): Side | null {
  const manner = mannerOf(null, ...settings);
  return syllabusOf({
    catalogue: catalogue(),
    school: SCHOOL,
    overrides: [{ skills: { [subject]: gate } }],
    manner,
  }).find(subject, side);
}

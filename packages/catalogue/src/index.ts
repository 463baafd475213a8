import {
  buildCatalogue,
  overlay,
  placedAt,
  usable,
  type Catalogue,
  type CatalogueResult,
  type Craft,
  type Overlay,
  type SkillPlace,
  type StrandEntry,
  type UsableCatalogue,
  type WrittenCatalogue,
} from "@mirrup/core";
import { LADDERS } from "./ladders.js";
import { ROLES } from "./roles.js";
import { CROSSES } from "./strands/crosses.js";
import { FOOTWORK } from "./strands/footwork.js";
import { MULTIPLES } from "./strands/multiples.js";
import { SIDE_SWINGS } from "./strands/side-swings.js";

export { CAUTIONS } from "./cautions.js";
export { STARTER_COMBOS, type StarterCombo } from "./combos.js";
export { coachingOf, type Coaching } from "./coaching.js";
export { DRILLS, type DrillEntry } from "./drills.js";
export { FAULTS, type FaultEntry } from "./faults.js";
export { CLOCK_COUNTS, INTERVALS, type Interval } from "./intervals.js";
export { TERMS, type TermId } from "./terms.js";
export { SPOKEN_WORDS, spacingCall, spokenWords } from "./spoken.js";
export { SCHOOLS } from "./schools.js";
export {
  fusedFirstOf,
  fusedRopeOf,
  addsRuns,
  mannerOf,
  turnRateOf,
  optionOf,
  FUSED_FORMS,
  isFormCounted,
  settingValue,
  SETTINGS,
  type SettingValues,
  type TeachingOption,
  type TeachingSetting,
} from "./settings.js";

/**
 * Checks a catalogue's data and returns it as a value. Throws an `Error` that lists every broken
 * entry with its name and reason.
 */
export function loadCatalogue(strands: readonly StrandEntry[], version: string, craft?: Craft): Catalogue {
  const result = buildCatalogue(strands, version, craft);
  if (result.ok) return result.catalogue;
  const reasons = result.faults.map((fault) => `- ${fault.message}`).join("\n");
  throw new Error(`The catalogue cannot be used:\n${reasons}`);
}

const WRITTEN: WrittenCatalogue = {
  strands: [...FOOTWORK, ...SIDE_SWINGS, ...CROSSES, ...MULTIPLES],
  version: "2",
  craft: { ladders: LADDERS, roles: ROLES },
};

/** The catalogue that ships. */
export const CATALOGUE: Catalogue = loadCatalogue(WRITTEN.strands, WRITTEN.version, WRITTEN.craft);

const isEmpty = ({ entries }: Overlay) => Object.keys(entries).length === 0;

/** The catalogue that ships with a studio's own laid over it, or every fault of that. */
export function catalogueWith(own: Overlay): CatalogueResult {
  return overlay(WRITTEN, own);
}

/** What is the studio's own once a skill stands elsewhere, and every other where it stands. */
export function placedWith(own: Overlay, skill: string, place: SkillPlace): Overlay["entries"] {
  return placedAt(WRITTEN, own, skill, place);
}

/** The same with what of the studio's own fits: for whoever has to teach by it, whatever was kept. */
export function catalogueInUse(own: Overlay): UsableCatalogue {
  return isEmpty(own) ? { catalogue: CATALOGUE, leftOut: [], hidden: new Map() } : usable(WRITTEN, own);
}

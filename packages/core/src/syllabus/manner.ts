/** How a studio or a student does what can be done in several ways: it changes scores and ladders, never what counts. */
export interface Manner {
  /** Ids of the forms in use, of skills that have several. */
  readonly forms: readonly string[];
  /** Whether the first fused double is tried from standing, or out of a rhythm of what prepares it. */
  readonly fusedStart: "standing" | "rhythm";
  /** What runs up to a fused double. */
  readonly prepare: "singles" | "doubles";
  /** The step that the student is at home in; null for the plain bounce. */
  readonly homeStep: string | null;
}

export const USUAL_MANNER: Manner = { forms: [], fusedStart: "standing", prepare: "singles", homeStep: null };

import { HONEST_TRIES, STUCK_LESSONS } from "@mirrup/core/teaching";

/** The words of the field that the pages use, each with what it means here, in a sentence or two for anybody. */
export const TERMS = {
  skill: {
    name: "skill",
    meaning: "One trick of the tree, such as a cross or a double under. It can have a left and a right side.",
  },
  side: {
    name: "side",
    meaning: "Left or right of a skill. Each side is learned, counted and cleared by itself.",
  },
  strand: { name: "strand", meaning: "Skills that grow out of each other, from the easiest on." },
  programme: {
    name: "programme",
    meaning:
      "A list of skills with what counts of each: a badge, a season, a level. Whoever has done enough of it can finish.",
  },
  hidden: {
    name: "hidden",
    meaning: "A skill that is taught to nobody for now. What was counted of it stays.",
  },
  gate: {
    name: "gate",
    meaning: "What clears a side: so many in a row, so many seconds, or so many clean of so many tries.",
  },
  locked: { name: "locked", meaning: "Something that this skill needs is not cleared yet." },
  ready: { name: "ready", meaning: "All that it needs is cleared, and nobody has begun it." },
  working: { name: "working", meaning: "Begun, and not at its gate yet." },
  cleared: { name: "cleared", meaning: "Its gate was met, or an instructor cleared it by hand." },
  inferred: {
    name: "taken as known",
    meaning: "Nobody has counted it, but something that needs it is cleared.",
  },
  rusty: { name: "rusty", meaning: "Cleared, and not seen for so long, or so badly, that a review is due." },
  stuck: {
    name: "stuck",
    meaning: `${STUCK_LESSONS} lessons or more of at least ${HONEST_TRIES} tries each, and no better than before them.`,
  },
  review: { name: "review", meaning: "A cleared side tried again, to see whether it is still there." },
  ladder: {
    name: "ladder",
    meaning: "The drills that lead up to a gate, easiest first. A rung is passed before the next is tried.",
  },
  drill: { name: "drill", meaning: "What a student does in a set, and how much of it." },
  set: { name: "set", meaning: "One go at a drill, counted from its first try to its last." },
  odds: {
    name: "9 in 10",
    meaning: "How often a set like this would pass, going by what the student has done so far.",
  },
  landing: {
    name: "weighted landing",
    meaning:
      "A landing as the legs feel it: one of a double or on one leg counts one and a half, one of a triple or more two.",
  },
  school: {
    name: "school",
    meaning: "A way to teach: how high its gates are, and how wide a foundation it wants.",
  },
  goal: {
    name: "goal",
    meaning: "A skill or a programme that a student works toward; what it needs is proposed first.",
  },
  evenness: { name: "evenness", meaning: "How alike the times between tries are, out of 100." },
} as const;

export type TermId = keyof typeof TERMS;

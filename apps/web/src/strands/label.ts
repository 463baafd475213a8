/** Letters of a word that fit a bead's column: a longer one may break after its hyphen. */
const FITS = 12;

export interface LabelWord {
  readonly word: string;
  /** Whether it is kept on one line, hyphen and all. */
  readonly isWhole: boolean;
}

/** The words of a bead's label, each told whether it stays whole. */
export function wordsOf(name: string): readonly LabelWord[] {
  return name.split(" ").map((word) => ({ word, isWhole: word.length <= FITS }));
}

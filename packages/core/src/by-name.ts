const collator = new Intl.Collator("en", { numeric: true });

/** Puts names in the order of a list that people read: capitals and accents do not matter first, and 2 comes before 10. */
export const byName = (one: string, other: string): number => collator.compare(one, other);

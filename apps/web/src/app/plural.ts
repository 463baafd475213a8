/** Numbers with their words: which form of a word a number asks for is the language's own rule. */
const rules = new Intl.PluralRules("en");
const number = new Intl.NumberFormat("en");

/** The word for so many: "set" for one, else "sets", or the form that is given for others. */
export function pluralOf(count: number, one: string, others = `${one}s`): string {
  return rules.select(count) === "one" ? one : others;
}

/** "1 set", "1,200 sets", "0 tries". */
export function counted(count: number, one: string, others?: string): string {
  return `${number.format(count)} ${pluralOf(count, one, others)}`;
}

/** Which fields a change is of, and nothing of what they were or are: `homeStep` as "home step". */
export function fieldWords(change: object, but: readonly string[]): string {
  return Object.keys(change)
    .filter((field) => !but.includes(field))
    .map((field) => field.replaceAll(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`))
    .sort()
    .join(", ");
}

const UNITS = [
  ["day", 86_400],
  ["hour", 3600],
  ["minute", 60],
] as const;

/** How far a clock is off, by its largest unit: `3 hours behind`, `1 day ahead`. */
export function clockWords(aheadSeconds: number): string {
  const seconds = Math.abs(aheadSeconds);
  const [unit, length] = UNITS.find(([, one]) => seconds >= one) ?? UNITS[2];
  const many = new Intl.NumberFormat("en-GB", { style: "unit", unit, unitDisplay: "long" });
  return `${many.format(Math.round(seconds / length))} ${aheadSeconds > 0 ? "ahead" : "behind"}`;
}

/** `2:05`, or `+0:12` once it is over. */
export function leftWords(seconds: number): string {
  const all = Math.abs(seconds);
  return `${seconds < 0 ? "+" : ""}${Math.floor(all / 60)}:${String(all % 60).padStart(2, "0")}`;
}

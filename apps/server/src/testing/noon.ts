/**
 * A time zone in which it is past noon, on the same date as in UTC: a set of an hour ago is of today,
 * whenever the tests run.
 */
export function noonZone(now = new Date()): string {
  const behind = now.getUTCHours() - 12;
  // In these names the sign is the other way about: GMT+5 is five hours behind.
  return `Etc/GMT${behind < 0 ? "" : "+"}${behind}`;
}

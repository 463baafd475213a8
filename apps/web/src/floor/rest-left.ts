/** The rest after a student's last set, kept on the device so that a reload and another page count on. */

const keyOf = (studentId: string) => `mirrup-rest ${studentId}`;

/** Longer than any rest; what is further ahead was kept by a clock that was wrong. */
const LONGEST_SECONDS = 600;

/** Seconds that are left of a rest that ends at some instant, as it was kept; 0 for none. */
export function restLeft(kept: string | null, now: number): number {
  const seconds = Math.ceil((Number(kept ?? 0) - now) / 1000);
  return seconds > 0 && seconds <= LONGEST_SECONDS ? seconds : 0;
}

export function beginRest(studentId: string, now: number, seconds: number): void {
  try {
    if (seconds > 0) localStorage.setItem(keyOf(studentId), String(now + 1000 * seconds));
    else localStorage.removeItem(keyOf(studentId));
  } catch {
    // A browser that keeps nothing counts no rest.
  }
}

export function restOf(studentId: string, now: number): number {
  try {
    return restLeft(localStorage.getItem(keyOf(studentId)), now);
  } catch {
    return 0;
  }
}

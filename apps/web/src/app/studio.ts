/** Which studio this tab is in. It comes from the address, and every request names it. */
let current: string | null = null;

export function currentStudio(): string | null {
  return current;
}

export function enterStudio(studioId: string | null): void {
  current = studioId;
}

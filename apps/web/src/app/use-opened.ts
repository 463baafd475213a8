import { useState } from "react";

/**
 * Whether a page that waits for what it opens with has opened, of what the key names. From then on it stays: what is
 * read again meanwhile, and fails, must not take it from under somebody's hands, nor ask once more by opening anew.
 */
export function useOpened(isOpening: boolean, key = ""): boolean {
  const [opened, setOpened] = useState<string | null>(null);
  if (!isOpening && opened !== key) setOpened(key);
  return !isOpening || opened === key;
}

import type { Page } from "@playwright/test";

/** Waits until a page has its heading, nothing on it is still being read, and it has come to rest. */
export function settled(page: Page): Promise<void>;

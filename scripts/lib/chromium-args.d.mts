export const CHROMIUM_ARGS: readonly string[];

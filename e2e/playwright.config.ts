import { defineConfig } from "@playwright/test";
import { CHROMIUM_ARGS } from "../scripts/lib/chromium-args.mjs";

export default defineConfig({
  testDir: ".",
  outputDir: "../test-results",
  fullyParallel: false,
  // Each has a server, a database and data of its own; two make use of what one leaves idle.
  workers: 2,
  // On a machine that does other work beside. What came only at the second try is named at the end, and is to be mended.
  retries: 1,
  timeout: 240_000,
  // Generous, for machines that do other work beside; nothing waits longer than it has to.
  expect: { timeout: 30_000 },
  reporter: [
    ["list"],
    ["json", { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? "../.cache/e2e.json" }],
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    reducedMotion: "reduce",
    serviceWorkers: "block",
    launchOptions: {
      executablePath: process.env.MIRRUP_CHROMIUM ?? "/usr/bin/chromium",
      args: [...CHROMIUM_ARGS],
    },
  },
});

import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import react from "@vitejs/plugin-react";
import { defaultClientConditions, defineConfig, type Plugin } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** What the server answers is made of these: what a device kept of another shape is not shown to this version. */
function shapeOfAnswers(): string {
  const contract = new URL("../../packages/contract/src/", import.meta.url);
  const hash = createHash("sha256");
  for (const file of readdirSync(contract)
    .filter((name) => !name.includes(".spec."))
    .sort())
    hash.update(readFileSync(new URL(file, contract)));
  return hash.digest("hex").slice(0, 16);
}

/** The page of a home link is kept on a home screen by its own name: the application's manifest stays out of it. */
const homeManifest: Plugin = {
  name: "home-manifest",
  enforce: "post",
  transformIndexHtml: {
    order: "post",
    handler: (html, { path }) =>
      path.endsWith("/home.html")
        ? html.replace(/<link rel="manifest" href="\/manifest\.webmanifest">/, "")
        : html,
  },
};

export default defineConfig({
  define: { "import.meta.env.VITE_SHAPE": JSON.stringify(shapeOfAnswers()) },
  plugins: [
    react(),
    // The pages' own files are kept on the device, so that Mirrup opens where there is no network.
    // What the server answers is not: the readings keep what the floor needs, by person.
    VitePWA({
      registerType: "autoUpdate",
      injectRegister: false,
      manifest: {
        name: "Mirrup",
        short_name: "Mirrup",
        description: "What each jump rope student does next, counted on the floor.",
        start_url: "/",
        display: "standalone",
        background_color: "#f6f1e8",
        theme_color: "#1d2330",
        icons: [{ src: "/icon.svg", sizes: "any", type: "image/svg+xml" }],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,woff2,mp3}"],
        globIgnores: ["home.html", "home-sw.js", "**/exceljs*.js", "**/deep-stage*.js"],
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api/, /^\/home\//],
        cleanupOutdatedCaches: true,
      },
    }),
    homeManifest,
  ],
  // The workspace's packages are read from their sources, so that a build never meets a stale one.
  resolve: { conditions: ["source", ...defaultClientConditions] },
  build: {
    target: "es2022",
    sourcemap: false,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 600,
    rolldownOptions: {
      // The page of a home link is none of the application's, and loads a part of it.
      input: { main: "index.html", home: "home.html" },
      output: {
        // A page would otherwise come in a hundred small files, each with its own wait: what every page needs comes
        // together, and what is on one page alone with it.
        codeSplitting: {
          includeDependenciesRecursively: false,
          groups: [
            {
              name: "checks",
              test: /node_modules[\\/](joi|@hapi|@sideway|@standard-schema)|schemas\.ts$|schema-parts\.ts$/,
              priority: 40,
            },
            {
              name: "react",
              test: /node_modules[\\/](react|react-dom|scheduler|idb|uuid)[\\/]/,
              priority: 32,
            },
            { name: "frame", test: /node_modules[\\/](react-router|@tanstack)[\\/]/, priority: 30 },
            {
              // What both pages say and send, apart from what only the application has.
              name: "words",
              test: /apps[\\/]web[\\/]src[\\/](app[\\/](words|own-day|drill-words|plural|catalogue|syllabus|family|api|page-id|server-clock|studio|click|use-wake-lock|floor-run|kept-run|left-run|forgotten|ticks)|figure[\\/]moving[\\/]loaded-or|voice[\\/](metronome|recorded|speak|plan|spans)|device[\\/](command|outbox|passing|queue|sender|store|older))\.ts$|voice[\\/]words\.mp3/,
              priority: 8,
              minShareCount: 2,
            },
            {
              name: "controls",
              test: /node_modules[\\/](@mantine|@floating-ui|@tabler|clsx|react-(?!zoom|chartjs))/,
              priority: 20,
            },
            {
              name: "craft",
              test: /packages[\\/](core|catalogue|contract)[\\/]/,
              priority: 10,
              minShareCount: 2,
            },
            {
              // The figure's poses, apart from the craft that every page has.
              name: "poses",
              test: /packages[\\/]core[\\/]src[\\/]figure[\\/]|apps[\\/]web[\\/]src[\\/]figure[\\/](still|strip|moment-words|colours|paint)/,
              priority: 12,
            },
            {
              name: "sheets",
              test: /node_modules[\\/]papaparse|apps[\\/]web[\\/]src[\\/]app[\\/](sheet|file-rows|save-sheet|sheet-button)\.tsx?$/,
              priority: 33,
            },
            {
              // What is counted with, and what is shown of it.
              name: "floor",
              test: /apps[\\/]web[\\/]src[\\/]((floor|led|braid|voice|figure)[\\/]|students[\\/](miss-map|miss-picture|last-sets))/,
              priority: 7,
              minShareCount: 3,
            },
            {
              name: "skills",
              test: /apps[\\/]web[\\/]src[\\/](own-skill|skill-book|strands|programmes|progress|class)[\\/]/,
              priority: 7,
              minShareCount: 3,
            },
            { name: "combos", test: /apps[\\/]web[\\/]src[\\/]combos[\\/]/, priority: 7, minShareCount: 3 },
            { name: "shared", test: /apps[\\/]web[\\/]src[\\/]/, priority: 5, minShareCount: 4 },
          ],
        },
      },
    },
  },
  server: {
    port: Number(process.env.MIRRUP_WEB_PORT ?? 4311),
    proxy: { "/api": `http://127.0.0.1:${process.env.MIRRUP_PORT ?? 4310}` },
  },
});

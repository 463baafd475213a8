import react from "@vitejs/plugin-react";
import { defaultClientConditions, defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

export default defineConfig({
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
        globPatterns: ["**/*.{js,css,html,svg,woff2}"],
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api/],
        cleanupOutdatedCaches: true,
      },
    }),
  ],
  // The workspace's packages are read from their sources, so that a build never meets a stale one.
  resolve: { conditions: ["source", ...defaultClientConditions] },
  build: { target: "es2022", sourcemap: false, assetsInlineLimit: 0, chunkSizeWarningLimit: 600 },
  server: {
    port: Number(process.env.MIRRUP_WEB_PORT ?? 4311),
    proxy: { "/api": `http://127.0.0.1:${process.env.MIRRUP_PORT ?? 4310}` },
  },
});

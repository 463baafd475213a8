import "@fontsource/atkinson-hyperlegible/latin-400.css";
import "@fontsource/atkinson-hyperlegible/latin-700.css";
import "@fontsource/barlow-condensed/latin-500.css";
import "@fontsource/barlow-condensed/latin-600.css";
import "./app/controls-styles.js";
import "@mantine/notifications/styles.css";
import "./app/app.css";
import { MantineProvider } from "@mantine/core";
import { Notifications } from "@mantine/notifications";
import { QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router/dom";
import { get } from "./app/api.js";
import { queryClient } from "./app/query-client.js";
import { startRecovery } from "./app/recovery.js";
import { outbox, restoreReadings, startKeeping } from "./device/index.js";
import { router } from "./routes.js";
import { theme, variables } from "./app/theme.js";
import { mendOldPages, takeUpdates } from "./app/updates.js";

/** What the server's answers look like, as the build says it. */
const SHAPE = String(import.meta.env.VITE_SHAPE);

const root = document.getElementById("root");
if (root === null) throw new Error("The page has no element #root to draw in.");

mendOldPages();
// What was said and what was read are there before the first page is drawn.
await Promise.all([outbox.read(), restoreReadings(SHAPE)]);
startKeeping(SHAPE);
startRecovery(queryClient, {
  isThere: () =>
    get("/health").then(
      () => true,
      () => false,
    ),
  rest: (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds)),
});

// Where the browser has no service worker (plain http from elsewhere), Mirrup needs the network to open.
if (import.meta.env.PROD && "serviceWorker" in navigator) {
  void takeUpdates().catch(() => undefined);
}

createRoot(root).render(
  <StrictMode>
    <MantineProvider theme={theme} cssVariablesResolver={variables} defaultColorScheme="auto">
      <Notifications position="bottom-center" autoClose={12_000} limit={3} />
      <QueryClientProvider client={queryClient}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </MantineProvider>
  </StrictMode>,
);

/** The page of a home link: small, without a sign-in, and open where there is no network. */
import "@fontsource/atkinson-hyperlegible/latin-400.css";
import "@fontsource/atkinson-hyperlegible/latin-700.css";
import "@fontsource/barlow-condensed/latin-500.css";
import "@fontsource/barlow-condensed/latin-600.css";
import "../app/palette.css";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { keepFiles } from "./keep-files.js";
import { linkHere } from "./link.js";
import { HomePage } from "./page.js";
import { NoLink } from "./no-link.js";

const root = document.getElementById("root");
if (root === null) throw new Error("The page has no element #root to draw in.");

window.addEventListener("load", () => void keepFiles().catch(() => undefined));

const dark = window.matchMedia("(prefers-color-scheme: dark)");
const follow = () => {
  document.documentElement.dataset.mantineColorScheme = dark.matches ? "dark" : "light";
};
follow();
dark.addEventListener("change", follow);

const token = linkHere(window.location.pathname, localStorage);
// Kept on a home screen, the page begins by its link: it has a storage of its own there.
if (token !== null)
  document.querySelector('link[rel="manifest"]')?.setAttribute("href", `/home/${token}/home.webmanifest`);
createRoot(root).render(
  <StrictMode>{token === null ? <NoLink /> : <HomePage key={token} token={token} />}</StrictMode>,
);

/**
 * Keeps the page of a home link and its files, so that it opens without a network: the page from the network where one
 * answers, its files (whose names say what is in them) from the phone.
 */
const CACHE = "mirrup-home-files";
const PAGE = "/home/";
const PATIENCE_MS = 4000;

self.addEventListener("install", (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.addAll([PAGE, "/home.webmanifest", "/icon.svg"]))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

/** What the page has loaded is kept; what an older one had goes. */
self.addEventListener("message", (event) => {
  const files = event.data?.keep;
  if (!Array.isArray(files)) return;
  event.waitUntil(
    caches.open(CACHE).then(async (cache) => {
      const kept = await cache.keys();
      const wanted = new Set(files);
      const old = kept.filter(({ url }) => new URL(url).pathname.startsWith("/assets/") && !wanted.has(url));
      const known = new Set(kept.map(({ url }) => url));
      await cache.addAll(files.filter((file) => !known.has(file)));
      await Promise.all(old.map((request) => cache.delete(request)));
    }),
  );
});

async function page(request) {
  const cache = await caches.open(CACHE);
  try {
    const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) });
    if (answer.ok) await cache.put(PAGE, answer.clone());
    return answer;
  } catch {
    return (await cache.match(PAGE)) ?? Response.error();
  }
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { pathname, origin } = new URL(request.url);
  if (request.method !== "GET" || origin !== self.location.origin) return;
  if (request.mode === "navigate") event.respondWith(page(request));
  else if (pathname.startsWith("/assets/") || pathname === "/icon.svg")
    event.respondWith(caches.match(request).then((kept) => kept ?? fetch(request)));
});

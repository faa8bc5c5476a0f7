// Runs beside the pages and answers where the server does not. The server puts the list of all parts of the application
// before it: WINDLASS.parts, and WINDLASS.generation, a name that changes when any part does.
const { parts, generation } = self.WINDLASS;
const START = "/along";
const WORDS = "/words/";
const CLOCK = "/water/clock";
const DECKS = /^\/((sessions|squads)\/[^/]+\/deck|mine\/decks\/[^/]+)$/;

self.addEventListener("install", (event) => {
  event.waitUntil(
    (async () => {
      const cache = await caches.open(generation);
      await cache.addAll([...parts, START]);
      await self.skipWaiting();
    })(),
  );
});

/** Decks that were taken along belong to the parts of their own generation: that one stays as long as it has some. */
self.addEventListener("activate", (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) {
        if (name === generation) continue;
        const kept = await (await caches.open(name)).keys();
        if (!kept.some(({ url }) => DECKS.test(new URL(url).pathname))) await caches.delete(name);
      }
      await self.clients.claim();
    })(),
  );
});

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== "GET" || origin !== self.location.origin) return;
  if (pathname.startsWith("/assets/") || pathname.startsWith(WORDS)) event.respondWith(part(request));
  else if (request.mode === "navigate") event.respondWith(page(request));
});

async function part(request) {
  return (await caches.match(request, { ignoreVary: true })) ?? fetch(request);
}

/** What the server says, where it says anything; else what was taken along, else what there is to choose from. */
async function page(request) {
  try {
    const answer = await fetch(request);
    // Whoever is in the water has no network to take the clock along with.
    // What it is led to instead, such as the sign-in, is no clock.
    if (new URL(request.url).pathname === CLOCK && answer.ok && !answer.redirected)
      await (await caches.open(generation)).put(request, answer.clone());
    return answer;
  } catch {
    return (
      (await caches.match(request, { ignoreSearch: true, ignoreVary: true })) ??
      caches.match(START, { ignoreVary: true })
    );
  }
}

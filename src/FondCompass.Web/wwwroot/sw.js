// Keeps opened lessons for where there is no network: pages, times, band, and all that they are made of. Nothing else is answered from here,
// and the server is always asked first.
const name = 'fond-lessons-1';
const patience = 4000;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil((async () => {
  for (const old of await caches.keys()) {
    if (old.startsWith('fond-lessons-') && old !== name) {
      await caches.delete(old);
    }
  }
  await self.clients.claim();
})()));

self.addEventListener('message', (event) => {
  if (Array.isArray(event.data?.keep)) {
    event.waitUntil(keep(event.data.keep).then((kept) => event.source?.postMessage({ kept, of: event.data.keep.length })));
  } else if (event.data?.forget) {
    event.waitUntil(caches.delete(name));
  }
});

/** What a lesson is made of, as the server has it now: how much of it is kept. One that fails leaves what was kept before. */
async function keep(addresses) {
  const cache = await caches.open(name);
  const kept = await Promise.all(addresses.map(async (address) => {
    try {
      const answer = await fetch(address, { credentials: 'same-origin' });
      if (answer.ok && !answer.redirected) {
        await cache.put(address, answer);
        return true;
      }
    } catch {
      // Kept the next time.
    }
    return (await cache.match(address)) !== undefined;
  }));
  return kept.filter((k) => k).length;
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const at = new URL(request.url);
  if (request.method !== 'GET' || at.origin !== location.origin) {
    return;
  }
  const isLesson = /^\/lessons\/[0-9a-f-]{36}\/teach$/.test(at.pathname) && !at.searchParams.has('fresh');
  const isScore = at.pathname.endsWith('/fit') && at.searchParams.get('handler') === 'Score';
  const isPart = /^\/(css|js|lib)\/|^\/icon\.svg$/.test(at.pathname);
  if (isLesson || isScore || isPart) {
    event.respondWith(fromServerOrKept(request, isPart));
  }
});

/** The server's answer; what was kept when there is none, or, where something was kept, none in time. */
async function fromServerOrKept(request, isPart) {
  const cache = await caches.open(name);
  const kept = await cache.match(request, { ignoreVary: true });
  if (!kept) {
    return fetch(request);
  }
  // What carries its version in its address never changes.
  if (isPart && /\.[a-z0-9]{8,}\.(css|js|svg|woff2)$/.test(new URL(request.url).pathname)) {
    return kept;
  }
  try {
    const late = new Promise((_, fail) => { setTimeout(fail, patience); });
    const answer = /** @type {Response} */ (await Promise.race([fetch(request), late]));
    return answer.status < 500 ? answer : kept;
  } catch {
    return kept;
  }
}

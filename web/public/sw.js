// Opens the page where the server cannot be reached: the shell from its cache, and what was last read of the jobs that
// were looked at. Nothing else of the API is kept, and nothing after signing out.
const SHELL = 'shell';
const DATA = 'data';
const MOST_FILES = 120;
const KEPT = /^\/api\/(session|meters|jobs\/[^/]+|sheets\/[^/]+\/revisions\/\d+(\/tests)?)$/;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== self.location.origin) return;
  if (pathname.startsWith('/assets/')) event.respondWith(fromCache(request));
  else if (KEPT.test(pathname)) event.respondWith(fromServer(request, DATA));
  else if (!pathname.startsWith('/api/')) event.respondWith(fromServer(request, SHELL));
});

/** Files whose names change with what is in them. */
async function fromCache(request) {
  const cache = await caches.open(SHELL);
  const kept = await cache.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) {
    const files = await cache.keys();
    await Promise.all(files.slice(0, Math.max(0, files.length - MOST_FILES)).map((f) => cache.delete(f)));
    await cache.put(request, answer.clone());
  }
  return answer;
}

/** The server's answer, or where there is none what it said last. */
async function fromServer(request, name) {
  try {
    const answer = await fetch(request);
    if (answer.ok) await (await caches.open(name)).put(request, answer.clone());
    return answer;
  } catch (e) {
    const kept = await (await caches.open(name)).match(request);
    if (!kept) throw e;
    const headers = new Headers(kept.headers);
    headers.set('X-Kept', 'true');
    return new Response(kept.body, { status: kept.status, headers });
  }
}

// Opens the page where the server cannot be reached: the shell from its cache, and what was last read of the jobs that
// were looked at. Nothing else of the API is kept, and nothing after signing out, whatever was under way.
const SHELL = 'shell';
const DATA = 'data';
const MOST_FILES = 120;
const MOST_ANSWERS = 300;
const SESSION = '/api/session';
const KEPT =
  /^\/api\/(session|meters|policy|units|sheets|guides|jobs(\/technicians|\/[^/]+)?|appointments|sheets\/[^/]+\/revisions\/\d+(\/tests)?)$/;

/** How often what was kept was forgotten: an answer asked for before that is not kept. */
let forgotten = 0;

self.addEventListener('install', (event) => {
  self.skipWaiting();
  event.waitUntil(keepShell());
});
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('message', (event) => {
  if (event.data.forget) event.waitUntil(forget());
  // what the page had read before this worker stood between
  for (const url of event.data.keep ?? []) {
    if (KEPT.test(new URL(url).pathname)) event.waitUntil(fromServer(new Request(url), DATA));
  }
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (origin !== self.location.origin) return;
  if (request.method !== 'GET') {
    // whoever comes or goes, what was kept for the one before is nothing for them
    if (pathname.startsWith(SESSION)) event.waitUntil(forget());
    return;
  }
  if (pathname.startsWith('/assets/')) event.respondWith(fromCache(request));
  else if (KEPT.test(pathname)) event.respondWith(fromServer(request, DATA));
  else if (!pathname.startsWith('/api/')) event.respondWith(fromServer(request, SHELL));
});

function forget() {
  forgotten++;
  return caches.delete(DATA);
}

/** All files of the page, so that the first reload finds them. */
async function keepShell() {
  const files = await (await fetch('/files.json', { cache: 'no-store' })).json();
  await (await caches.open(SHELL)).addAll(['/', ...files]);
}

/** Files whose names change with what is in them. */
async function fromCache(request) {
  const cache = await caches.open(SHELL);
  const kept = await cache.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) await keep(SHELL, request, answer.clone(), MOST_FILES);
  return answer;
}

/** The server's answer, or where there is none what it said last. */
async function fromServer(request, name) {
  const since = forgotten;
  let answer;
  try {
    answer = await fetch(request);
  } catch (e) {
    const kept = since === forgotten && (await (await caches.open(name)).match(request));
    if (!kept) throw e;
    const headers = new Headers(kept.headers);
    headers.set('X-Kept', 'true');
    return new Response(kept.body, { status: kept.status, headers });
  }
  if (answer.status === 401) await forget();
  if (answer.ok && (name === SHELL || since === forgotten)) {
    await keep(name, request, answer.clone(), name === SHELL ? MOST_FILES : MOST_ANSWERS);
    if (name === DATA && since !== forgotten) await caches.delete(DATA);
  }
  return answer;
}

/** The oldest go where there are too many; a device without room keeps nothing, and the page has its answer. */
async function keep(name, request, answer, most) {
  try {
    // read to its end first: where the server dies in the middle of it, what was kept before stays
    const { status, headers } = answer;
    const whole = new Response(await answer.arrayBuffer(), { status, headers });
    const cache = await caches.open(name);
    const all = await cache.keys();
    await Promise.all(all.slice(0, Math.max(0, all.length - most)).map((f) => cache.delete(f)));
    await cache.put(request, whole);
  } catch {
    // it is read from the server next time
  }
}

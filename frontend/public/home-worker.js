// Keeps an opened practice week for when there is no network. Pages and the week come from the
// network first and from the kept copy when it fails; built files have a hash in their name, so the
// kept copy is as good. Logs are not touched: the page keeps and sends them itself.
const KEPT = 'jolf-home-1';

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

// The page names what it has loaded before this script was there.
self.addEventListener('message', (event) => {
  const keep = async () => {
    const kept = await caches.open(KEPT);
    await Promise.all(event.data.urls.map((url) => kept.add(url).catch(() => undefined)));
    event.source?.postMessage(event.data.answer);
  };
  event.waitUntil(keep());
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  const isBuilt = url.pathname.startsWith('/static/assets/');
  event.respondWith(isBuilt ? keptFirst(request) : networkFirst(request));
});

async function keptFirst(request) {
  return (await caches.match(request)) ?? networkFirst(request);
}

async function networkFirst(request) {
  try {
    const answer = await fetch(request);
    const kept = await caches.open(KEPT);
    if (answer.ok) await kept.put(request, answer.clone());
    // A week that has ended does not stay on this device.
    if (answer.status === 404 || answer.status === 410) await kept.delete(request);
    // Too much to do just now: what was kept is better than a refusal.
    if (answer.status === 429 || answer.status >= 500) return (await keptOf(request)) ?? answer;
    return answer;
  } catch (error) {
    const kept = await keptOf(request);
    if (kept) return kept;
    throw error;
  }
}

/** What was kept, marked so, that the page may ask again. */
async function keptOf(request) {
  const kept = await caches.match(request);
  if (!kept) return undefined;
  const headers = new Headers(kept.headers);
  headers.set('X-Jolf-Kept', 'yes');
  return new Response(kept.body, { status: kept.status, headers });
}

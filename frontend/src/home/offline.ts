let asked = 0;
let isOver = false;
/** What the worker was last asked to keep is kept. */
let kept = Promise.resolve();

/** Keep this page, what it has loaded and the week for when there is no network. */
export async function keepForLater(token: string, also: string[] = []): Promise<void> {
  // Browsers allow this on secure pages and on this computer only.
  if (!('serviceWorker' in navigator)) return;
  const mine = (asked += 1);
  delete document.documentElement.dataset['kept'];
  try {
    await navigator.serviceWorker.register('/home/worker.js', { scope: '/home/' });
    const { active } = await navigator.serviceWorker.ready;
    const loaded = performance
      .getEntriesByType('resource')
      .map((entry) => entry.name)
      .filter((name) => name.startsWith(`${window.location.origin}/static/`));
    if (isOver) return;
    kept = new Promise((done) => {
      navigator.serviceWorker.addEventListener('message', ({ data }) => {
        if (data === mine && mine === asked) document.documentElement.dataset['kept'] = 'yes';
        if (data === mine) done();
      });
    });
    active?.postMessage({
      urls: [...loaded, ...also, window.location.pathname, `/api/home/${token}`],
      answer: mine,
    });
  } catch {
    // Without it the page works as any other page does.
  }
}

/** Forget a week that has ended: its page and what it says do not stay on this device, nor what the
 * worker is still about to keep. */
export async function forgetKept(token: string): Promise<void> {
  isOver = true;
  if (!('caches' in globalThis)) return;
  await forget(token);
  await kept;
  await forget(token);
}

async function forget(token: string): Promise<void> {
  for (const name of await caches.keys()) {
    const those = await caches.open(name);
    for (const request of await those.keys()) {
      if (request.url.includes(token)) await those.delete(request);
    }
  }
}

/** Keep this page, what it has loaded and the week for when there is no network. */
export async function keepForLater(token: string): Promise<void> {
  // Browsers allow this on secure pages and on this computer only.
  if (!('serviceWorker' in navigator)) return;
  try {
    await navigator.serviceWorker.register('/home/worker.js', { scope: '/home/' });
    const { active } = await navigator.serviceWorker.ready;
    const loaded = performance
      .getEntriesByType('resource')
      .map((entry) => entry.name)
      .filter((name) => name.startsWith(`${window.location.origin}/static/`));
    active?.postMessage({ urls: [...loaded, window.location.pathname, `/api/home/${token}`] });
    navigator.serviceWorker.addEventListener('message', () => {
      document.documentElement.dataset['kept'] = 'yes';
    });
  } catch {
    // Without it the page works as any other page does.
  }
}

/** Forget a week that has ended: its page and what it says do not stay on this device. */
export async function forgetKept(token: string): Promise<void> {
  if (!('caches' in globalThis)) return;
  for (const name of await caches.keys()) {
    const kept = await caches.open(name);
    for (const request of await kept.keys()) {
      if (request.url.includes(token)) await kept.delete(request);
    }
  }
}

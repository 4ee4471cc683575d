/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import { precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] };

const PAGE = '/field';

// Scripts, styles and fonts are kept; their names change with their content.
precacheAndRoute(self.__WB_MANIFEST);

// There is one page for all addresses. It is kept as it came, with its content-security policy and the nonce in it, and
// used when
// the network does not answer at once. What the server knows is never kept here: field pages have their own store.
const page = new NetworkFirst({
  cacheName: 'rama-page',
  networkTimeoutSeconds: 3,
  plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve(PAGE) }],
});
registerRoute(
  new NavigationRoute((context) => page.handle(context), { denylist: [/^\/api\//, /^\/openapi\//, /^\/health/] }),
);

self.addEventListener('install', (event) => {
  event.waitUntil(
    fetch(PAGE).then(async (response) => {
      if (response.ok) await (await caches.open('rama-page')).put(PAGE, response);
    }),
  );
  void self.skipWaiting();
});
clientsClaim();

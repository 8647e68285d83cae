import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from "workbox-precaching";
import { registerRoute } from "workbox-routing";
import { NetworkFirst } from "workbox-strategies";
import { FLOOR_PAGES } from "./floor-pages.ts";

declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: readonly PrecacheEntry[] };

precacheAndRoute([...self.__WB_MANIFEST]);
cleanupOutdatedCaches();
registerRoute(
  ({ request, url }) => request.mode === "navigate" && /^\/floor\/[^/]+$/.test(url.pathname),
  new NetworkFirst({
    cacheName: FLOOR_PAGES,
    networkTimeoutSeconds: 4,
    // Only the page itself: a redirect to the sign-in must not take its place.
    plugins: [
      {
        cacheWillUpdate: ({ response }) =>
          Promise.resolve(response.status === 200 ? response : null),
      },
    ],
  }),
);

self.addEventListener("install", () => void self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

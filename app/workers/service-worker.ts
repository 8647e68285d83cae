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
    plugins: [
      {
        // Only the page itself: a redirect to the sign-in must not take its place.
        cacheWillUpdate: ({ response }) =>
          Promise.resolve(response.status === 200 ? response : null),
        // A server, a proxy or a database that is down, or a session that the server lost, is as good as no
        // network: the kept page knows what to do. Where none is kept, the answer itself is shown.
        fetchDidSucceed: ({ response, state }) => {
          if (response.status < 500 && response.status !== 404) return Promise.resolve(response);
          if (state !== undefined) state["answer"] = response;
          return Promise.reject(new Error(`answered ${response.status}`));
        },
        handlerDidError: ({ state }) =>
          Promise.resolve(state?.["answer"] instanceof Response ? state["answer"] : undefined),
      },
    ],
  }),
);

self.addEventListener("install", () => void self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

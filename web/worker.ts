/// <reference lib="webworker" />
/**
 * Keeps the app's own files on the device, and photos that were looked at; what people do goes through the outbox
 * instead.
 */
import { ExpirationPlugin } from 'workbox-expiration';
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: (PrecacheEntry | string)[] };

void self.skipWaiting();
cleanupOutdatedCaches();
precacheAndRoute(self.__WB_MANIFEST);

// Two entries: the tenant's under /home, the desk's everywhere else.
registerRoute(new NavigationRoute(createHandlerBoundToURL('/home.html'), { allowlist: [/^\/home(\/|$)/] }));
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/home(\/|$)/, /^\/api\//] }));

const PHOTO_DAYS = 14;
registerRoute(
  ({ url }) => url.pathname.startsWith('/api/photos/'),
  new CacheFirst({
    cacheName: 'photos',
    plugins: [new ExpirationPlugin({ maxEntries: 200, maxAgeSeconds: PHOTO_DAYS * 86_400 })],
  }),
);

import { registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst, type StrategyOptions } from 'workbox-strategies';
import { BUILT, PAGES, takesPlace } from './alongCaches';

/*
 * The service worker: what was taken along opens without signal. It keeps nothing by itself: a page that a person took along is made anew when it
 * is opened with signal; everything else goes by.
 */

type Plugin = NonNullable<StrategyOptions['plugins']>[number];

interface Scope {
  skipWaiting(): Promise<void>;
  readonly clients: { claim(): Promise<void> };
  addEventListener(type: 'install' | 'activate', hear: (event: { waitUntil(p: Promise<unknown>): void }) => void): void;
}
const scope = self as unknown as Scope;

scope.addEventListener('install', (event) => event.waitUntil(scope.skipWaiting()));
scope.addEventListener('activate', (event) => event.waitUntil(scope.clients.claim()));

/** How long the server may take where a page is at hand, s. */
const PATIENCE = 5;

/** A page is the same whatever is asked after its address. */
const plain: Plugin = { cacheKeyWillBeUsed: ({ request }) => Promise.resolve(request.url.split(/[?#]/)[0]!) };

const onlyTaken: Plugin = {
  cacheWillUpdate: async ({ request, response }) => {
    const cache = await caches.open(PAGES);
    const kept = await cache.match(request.url.split(/[?#]/)[0]!, { ignoreVary: true });
    return takesPlace(response, kept) ? response : null;
  },
};

const NOT_HERE = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Not taken along</title><body style="font:17px/1.5 sans-serif;margin:2rem;max-width:34rem">
<h1>This page was not taken along</h1><p>The server does not answer, and this page is not on this device.
Nothing that you wrote is lost. <a href="/">Round</a> · <a href="/along">what is on this device</a></p>`;

const otherwise: Plugin = {
  handlerDidError: () =>
    Promise.resolve(new Response(NOT_HERE, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } })),
};

registerRoute(
  ({ request }) => request.mode === 'navigate',
  new NetworkFirst({
    cacheName: PAGES,
    networkTimeoutSeconds: PATIENCE,
    matchOptions: { ignoreVary: true },
    plugins: [plain, onlyTaken, otherwise],
  }),
);
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/_next/static/'),
  new CacheFirst({
    cacheName: BUILT,
    matchOptions: { ignoreVary: true },
    plugins: [{ cacheWillUpdate: () => Promise.resolve(null) }],
  }),
);
// Names, faces and small pictures that a page asks for beside itself, as they were when it was taken.
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && /^\/api\/(stations|figures|sparks)$/.test(url.pathname),
  new NetworkFirst({
    cacheName: PAGES,
    networkTimeoutSeconds: PATIENCE,
    matchOptions: { ignoreVary: true },
    plugins: [],
  }),
);

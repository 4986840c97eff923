// Keeps what a run needs without a network: its page, and the styles and scripts. Everything else goes to the server.

const PAGES = 'pages-2-'; // with the number of the person whose pages they are
const ASSETS = 'assets-1';
const isRun = (url) => /^\/runs\/\d+(\/procedure)?$|^\/load-tests\/\d+\/read$|^\/my-day$|^\/switches\/\d+\/logbook$/.test(url.pathname);

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

/** Pages are seen again by the one they were made for: those of anybody else go. */
async function keepOnly(person) {
    const names = await caches.keys();
    await Promise.all(names.filter((name) => name.startsWith('pages-') && name !== PAGES + person).map((name) => caches.delete(name)));
}

async function keepPage(request, answer) {
    const person = answer.headers.get('Escapement-Person');
    if (person && !answer.redirected) {
        await keepOnly(person);
        await keep(PAGES + person, request, answer);
    }
    return answer;
}

async function keep(cacheName, request, answer) {
    if (answer.ok && !answer.redirected) {
        const cache = await caches.open(cacheName);
        await cache.put(request, answer.clone());
    }
    return answer;
}

self.addEventListener('fetch', (event) => {
    const url = new URL(event.request.url);
    if (url.origin !== location.origin) {
        return;
    }
    if (event.request.method === 'POST' && (url.pathname === '/logout' || url.pathname === '/change')) {
        event.waitUntil(keepOnly('')); // pages of a company go with the one who saw them
        return;
    }
    if (event.request.method !== 'GET') {
        return;
    }
    if (url.pathname.startsWith('/build/') || url.pathname === '/icon.svg') {
        event.respondWith(
            caches.match(event.request).then((kept) => kept ?? fetch(event.request).then((answer) => keep(ASSETS, event.request, answer))),
        );
    } else if (isRun(url) && event.request.mode === 'navigate') {
        event.respondWith(
            fetch(event.request)
                .then((answer) => keepPage(event.request, answer))
                .catch(
                    async () =>
                        (await caches.match(event.request)) ??
                        (await caches.match(event.request, { ignoreSearch: true })) ??
                        Response.error(),
                ),
        );
    }
});

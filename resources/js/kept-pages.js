const BEGINS = 'pages-2-'; // as in the service worker

const person = () => document.querySelector('meta[name=person]')?.content;

/** The cache that the service worker keeps this person's pages in. */
export const openKeptPages = () => caches.open(BEGINS + person());

/** Pages that were kept for somebody else go as soon as another person is signed in. */
export async function dropPagesOfOthers() {
    if (!person() || !('caches' in globalThis)) {
        return;
    }
    const names = await caches.keys();
    await Promise.all(names.filter((one) => one.startsWith('pages-') && one !== BEGINS + person()).map((one) => caches.delete(one)));
}

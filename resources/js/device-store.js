// Marks, answers and pictures on the device: one store each, strict durability, so that a crash a moment after the press loses nothing.

const open = () =>
    new Promise((resolve, reject) => {
        const request = indexedDB.open('escapement', 4);
        request.onupgradeneeded = () => {
            const db = request.result;
            const add = (name, keyPath) => (db.objectStoreNames.contains(name) ? null : db.createObjectStore(name, { keyPath }));
            add('marks', 'id')?.createIndex('run', 'run');
            add('runs', 'run');
            add('answers', 'id')?.createIndex('run', 'run');
            add('photos', 'id')?.createIndex('run', 'run');
            add('readings', 'id')?.createIndex('run', 'run');
        };
        request.onsuccess = () => {
            request.result.onversionchange = () => request.result.close(); // a newer page must not wait for this one
            resolve(request.result);
        };
        request.onerror = () => reject(request.error);
    });

let connection = null;
const database = () => (connection ??= open());

async function withStore(name, mode, act) {
    const db = await database();
    return new Promise((resolve, reject) => {
        const transaction = db.transaction(name, mode, { durability: 'strict' });
        const request = act(transaction.objectStore(name));
        transaction.oncomplete = () => resolve(request?.result);
        transaction.onerror = transaction.onabort = () => reject(transaction.error);
    });
}
const allOf = async (name, run) =>
    (await withStore(name, 'readonly', (store) => store.index('run').getAll(run))).sort((a, b) => a.order - b.order);

/** A mark as the server takes it, with `run` and `sent`; saved again under its id when it changes. */
export const saveMark = (mark) => withStore('marks', 'readwrite', (store) => store.put(mark));
export const marksOf = (run) => withStore('marks', 'readonly', (store) => store.index('run').getAll(run));
/** Of all that was marked, answered and pictured in a run, how much the server does not have yet. */
export const unsentCount = async (run) =>
    (await marksOf(run)).filter((mark) => !mark.sent).length +
    (await answersOf(run)).length +
    (await photosOf(run)).filter((photo) => !photo.refused).length;
/** When the run began by this device's clock, in ms since 1970. */
export const saveEpoch = (run, epoch) => withStore('runs', 'readwrite', (store) => store.put({ run, epoch }));
export const epochOf = async (run) => (await withStore('runs', 'readonly', (store) => store.get(run)))?.epoch ?? null;
/** An answer as the server takes it, with `run` and `order`; it is here until the server has it. */
export const saveAnswer = (answer) => withStore('answers', 'readwrite', (store) => store.put(answer));
export const dropAnswer = (id) => withStore('answers', 'readwrite', (store) => store.delete(id));
export const answersOf = (run) => allOf('answers', run);
/**
 * A picture: `id`, `run`, `step`, `order`, `client_wall`, its bytes as `blob`, and why it was `refused`; it is here
 * until the server has it.
 */
export const savePhoto = (photo) => withStore('photos', 'readwrite', (store) => store.put(photo));
export const dropPhoto = (id) => withStore('photos', 'readwrite', (store) => store.delete(id));
export const photosOf = (run) => allOf('photos', run);
/** A reading of a load test: `id`, `run` (the test), `order`, its `maker`, what was `typed`; it is here until the server has it. */
export const saveReading = (one) => withStore('readings', 'readwrite', (store) => store.put(one));
export const dropReading = (id) => withStore('readings', 'readwrite', (store) => store.delete(id));
export const readingsOf = (test) => allOf('readings', test);

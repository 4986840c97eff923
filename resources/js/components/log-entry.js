import { dropPhoto, dropReading, photosOf, readingsOf, savePhoto, saveReading } from '../device-store.js';
import { shrink } from '../shrink.js';

const RETRY_MS = 4000;
const csrf = () => document.querySelector('meta[name=csrf-token]').content;

/** The fields of the form as the server takes them from a phone: f[name] and items[] as an object and a list. */
export function typedOf(form) {
    const typed = { f: {}, items: [] };
    for (const [name, value] of new FormData(form)) {
        const field = /^f\[(\w+)\]$/.exec(name);
        if (field) {
            typed.f[field[1]] = value;
        } else if (name === 'items[]') {
            typed.items.push(value);
        } else if (name !== '_token' && !(value instanceof File)) {
            typed[name] = value;
        }
    }
    return typed;
}

/**
 * A line of the logbook on a phone. Without a network it is kept on the device and sent later, once; with one, the form goes its
 * usual way.
 */
export const logEntry = () => ({
    setup: null,
    waiting: [],
    pictures: [],
    picked: 0,
    isSending: false,
    problem: '',

    async init() {
        this.setup = JSON.parse(this.$el.dataset.log);
        this.waiting = await readingsOf(this.setup.run);
        this.pictures = (await photosOf(this.setup.run)).map(({ id, step, refused }) => ({ id, step, refused }));
        addEventListener('online', () => this.send());
        setInterval(() => this.send(), RETRY_MS);
        this.send();
    },
    get refused() {
        return this.waiting.filter(({ said }) => said);
    },
    get hasRefused() {
        return this.refused.length > 0;
    },
    get words() {
        const open = this.waiting.filter(({ said }) => !said).length;
        const shots = this.pictures.filter(({ refused }) => !refused).length;
        const withShots = shots === 0 ? '' : `, ${shots === 1 ? '1 picture' : `${shots} pictures`}`;
        return this.problem || (open + shots > 0 ? `${open} kept on this device, to be sent${withShots}` : '');
    },
    get pickedWords() {
        return this.picked === 0 ? '' : `${this.picked === 1 ? '1 picture' : `${this.picked} pictures`} with it`;
    },
    pick(event) {
        this.picked = event.target.files.length;
    },
    get hasWords() {
        return this.words !== '';
    },
    async keep(event) {
        if (navigator.onLine) {
            return; // the form goes its usual way, and a fault stands at its field
        }
        event.preventDefault();
        const form = event.target;
        // a page that comes from the device again and again has one id for all that is typed on it
        const typed = { ...typedOf(form), id: crypto.randomUUID() };
        const one = { id: typed.id, run: this.setup.run, order: Date.now(), maker: this.setup.user, typed };
        await saveReading(one);
        for (const file of form.querySelector('[type=file]')?.files ?? []) {
            await this.keepPicture(one.id, file);
        }
        this.picked = 0;
        navigator.vibrate?.(30);
        this.waiting = [...this.waiting, one];
        form.reset();
    },
    async keepPicture(entry, file) {
        const { run, user } = this.setup;
        const photo = { id: crypto.randomUUID(), run, step: entry, order: Date.now(), maker: user, client_wall: new Date().toISOString() };
        await savePhoto({ ...photo, blob: await shrink(file) });
        this.pictures = [...this.pictures, { id: photo.id, step: entry }];
    },
    async send() {
        await this.sendEntries();
        await this.sendPictures();
    },
    // A picture goes once its entry is there; what the server will never take is kept here and says so.
    async sendPictures() {
        const waits = new Set(this.waiting.map(({ id }) => id));
        const ready = this.pictures.filter(({ step, refused }) => !waits.has(step) && !refused);
        if (this.isSending || ready.length === 0 || !navigator.onLine) {
            return;
        }
        this.isSending = true;
        try {
            const kept = new Map((await photosOf(this.setup.run)).map((photo) => [photo.id, photo]));
            for (const { id } of ready) {
                await this.sendPicture(kept.get(id));
            }
        } catch {
            // no network: they stay here and are tried again
        } finally {
            this.isSending = false;
        }
        if (this.pictures.length === 0) {
            location.reload();
        }
    },
    async sendPicture(photo) {
        if (!photo || photo.maker !== this.setup.user) {
            return;
        }
        const body = new FormData();
        body.append('id', photo.id);
        body.append('maker', photo.maker);
        body.append('client_wall', photo.client_wall);
        body.append('photo', photo.blob, 'picture.jpg');
        const answer = await fetch(`${this.setup.picturesTo}/${photo.step}/photos`, {
            method: 'POST',
            headers: { Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
            body,
        });
        if (answer.ok) {
            await dropPhoto(photo.id);
            this.pictures = this.pictures.filter(({ id }) => id !== photo.id);
        } else if (answer.status === 422) {
            await savePhoto({ ...photo, refused: (await answer.json()).error?.message ?? 'Not taken.' });
            this.pictures = this.pictures.map((one) => (one.id === photo.id ? { ...one, refused: true } : one));
        }
    },
    async sendEntries() {
        const mine = this.waiting.filter(({ maker, said }) => maker === this.setup.user && !said);
        if (this.isSending || mine.length === 0 || !navigator.onLine) {
            return;
        }
        this.isSending = true;
        try {
            const answer = await fetch(this.setup.sendTo, {
                method: 'POST',
                headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                body: JSON.stringify({ entries: mine.map(({ maker, typed }) => ({ maker, ...typed })) }),
            });
            this.problem = answer.status === 401 || answer.status === 419 ? 'Sign in again to send; the entries are safe here.' : '';
            if (answer.ok) {
                await this.sent(await answer.json());
            }
        } catch {
            // no network: they stay here and are tried again
        } finally {
            this.isSending = false;
        }
    },
    async sent({ kept, refused }) {
        for (const id of kept) {
            await dropReading(id);
        }
        const said = new Map(refused.map(({ id, message }) => [id, message]));
        this.waiting = this.waiting
            .filter(({ id }) => !kept.includes(id))
            .map((one) => (said.has(one.id) ? { ...one, said: `${one.typed.kind}, ${one.typed.at}: ${said.get(one.id)}` } : one));
        for (const one of this.waiting.filter(({ said: why }) => why)) {
            await saveReading(JSON.parse(JSON.stringify(one))); // the store takes no reactive object
        }
        if (kept.length > 0 && this.waiting.length === 0 && this.pictures.length === 0) {
            location.reload();
        }
    },
    async forget(event) {
        const { id } = event.target.dataset;
        await dropReading(id);
        this.waiting = this.waiting.filter((one) => one.id !== id);
    },
});

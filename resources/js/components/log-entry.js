import { dropReading, readingsOf, saveReading } from '../device-store.js';

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
        } else if (name !== '_token') {
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
    isSending: false,
    problem: '',

    async init() {
        this.setup = JSON.parse(this.$el.dataset.log);
        this.waiting = await readingsOf(this.setup.run);
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
        return this.problem || (open > 0 ? `${open} kept on this device, to be sent` : '');
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
        navigator.vibrate?.(30);
        this.waiting = [...this.waiting, one];
        form.reset();
    },
    async send() {
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
        if (kept.length > 0 && this.waiting.length === 0) {
            location.reload();
        }
    },
    async forget(event) {
        const { id } = event.target.dataset;
        await dropReading(id);
        this.waiting = this.waiting.filter((one) => one.id !== id);
    },
});

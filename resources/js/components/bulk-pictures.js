import { shrink } from '../shrink.js';

const csrf = () => document.querySelector('meta[name=csrf-token]').content;
const PATIENCE_MS = 60_000;

/** Many pictures at once: where each belongs is said by the server from its name, and corrected here; then they are sent one by one. */
export function bulkPictures() {
    let setup = null;

    return {
        items: [],
        isSending: false,
        words: '',

        init() {
            setup = JSON.parse(this.$el.dataset.setup);
        },
        get subjects() {
            return setup ? setup.subjects : [];
        },
        get hasItems() {
            return this.items.length > 0;
        },
        get ready() {
            return this.items.filter((item) => item.state !== 'kept' && item.state !== 'there already' && setup.places[item.place]);
        },
        get sendWords() {
            const { length } = this.ready;
            return length === 1 ? 'Send 1 picture' : `Send ${length} pictures`;
        },
        get isIdle() {
            return !this.isSending && this.ready.length > 0;
        },
        get lostWords() {
            const lost = this.items.filter((item) => !setup.places[item.place]).length;
            return lost === 0 ? '' : `${lost} without a place: choose it, or leave them here.`;
        },

        async choose(event) {
            const files = [...event.target.files].filter((file) => file.type.startsWith('image/'));
            const known = new Set(this.items.map(({ name }) => name));
            const fresh = files.filter((file) => !known.has(file.name)).slice(0, 500);
            if (fresh.length === 0) {
                this.words = 'No picture among them that is not here already.';
                return;
            }
            const answer = await this.ask(fresh.map(({ name }) => name));
            if (answer === null) {
                return;
            }
            this.words = '';
            this.items.push(
                ...fresh.map((file, i) => ({ name: file.name, file, state: '', ...answer[i], caption: file.name.replace(/\.\w+$/, '') })),
            );
            event.target.value = '';
        },
        async ask(names) {
            try {
                const answer = await fetch(setup.look, {
                    method: 'POST',
                    headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                    body: JSON.stringify({ names }),
                });
                const told = await answer.json();
                if (answer.ok) {
                    return told.places;
                }
                this.words = told.message ?? 'The names could not be looked at.';
            } catch {
                this.words = 'No network: choose them again when it is back.';
            }
            return null;
        },
        setPlace(event) {
            this.items[Number(event.target.dataset.at)].place = event.target.value;
        },
        setSubject(event) {
            this.items[Number(event.target.dataset.at)].subject = event.target.value;
        },
        async send() {
            this.isSending = true;
            for (const item of this.ready) {
                item.state = 'sending';
                item.state = await this.sendOne(item);
            }
            this.isSending = false;
            const kept = this.items.filter(({ state }) => state === 'kept').length;
            this.words = `${kept} of ${this.items.length} are kept.`;
        },
        async sendOne(item) {
            const body = new FormData();
            body.set('switch', setup.places[item.place]);
            body.set('subject', item.subject);
            body.set('caption', item.caption.slice(0, 200));
            body.set('photo', await shrink(item.file), item.name);
            try {
                const answer = await fetch(setup.take, {
                    method: 'POST',
                    headers: { Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                    body,
                    signal: AbortSignal.timeout(PATIENCE_MS),
                });
                const told = await answer.json();
                return answer.ok ? told.kept : (told.message ?? 'refused');
            } catch {
                return 'no network: send again';
            }
        },
    };
}

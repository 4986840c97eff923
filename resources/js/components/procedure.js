import { answersOf, dropAnswer, saveAnswer } from '../device-store.js';

const RETRY_MS = 4000;
const PAGES = 'pages-1'; // the cache of the service worker
const csrf = () => document.querySelector('meta[name=csrf-token]').content;

/**
 * A procedure on a phone. An answer is saved on the device, then sent; without a network the phone shows the next step
 * that does not wait for one unanswered. Bands and wanted choices are the core's, written into the page: here they are
 * only compared, so that nobody walks past a hold point in a basement. The server judges every answer again.
 */
export function procedure() {
    let run = 0;
    let isSending = false;

    return {
        waiting: [],
        problem: '',
        isSendingNow: false,

        async init() {
            run = Number(this.$el.dataset.run);
            this.waiting = await answersOf(run);
            this.$el.addEventListener('submit', (event) => this.submit(event), true);
            addEventListener('online', () => this.send());
            setInterval(() => this.send(), RETRY_MS);
            this.show();
            this.send();
            document.addEventListener('visibilitychange', () => this.keepAwake());
            this.keepAwake();
        },

        get netWords() {
            if (this.problem) { return this.problem; }
            if (this.waiting.length === 0) { return 'Kept on this phone first. All sent.'; }
            return this.isSendingNow ? `Sending ${this.waiting.length}` : 'Saved on this phone';
        },
        get unsentWords() { return this.waiting.length > 0 ? `${this.waiting.length} to send` : ''; },

        async submit(event) {
            const form = event.target.closest('.now-form');
            if (!form) { return; }
            event.preventDefault();
            event.stopImmediatePropagation();
            const section = form.closest('[data-step]');
            const answer = this.read(form, event.submitter);
            const fault = this.faultOf(section, answer);
            this.tell(section, fault);
            if (fault) { return; }
            const kept = { ...answer, run, order: Date.now(), closes: this.closes(section, answer) };
            await saveAnswer(kept);
            this.waiting = [...this.waiting, kept];
            this.show();
            await this.send();
        },
        read(form, submitter) {
            const fields = new FormData(form);
            const text = (name) => (fields.get(name) ?? '').toString().trim() || null;
            const value = text('value')?.replace(',', '.');
            const isSkipped = submitter?.name === 'skip';
            return {
                id: crypto.randomUUID(), step: form.closest('[data-step]').dataset.step, client_wall: new Date().toISOString(), note: text('note'),
                ...(isSkipped ? { skip_reason: text('note') ?? '' } : {}),
                ...(!isSkipped && submitter?.name === 'so' ? { so: submitter.value === '1' } : {}),
                ...(!isSkipped && value !== undefined ? { value: Number(value) } : {}),
                ...(!isSkipped && fields.get('choice') ? { choice: fields.get('choice') } : {}),
            };
        },
        faultOf(section, answer) {
            if (section.dataset.kind === 'measure' && answer.skip_reason === undefined && !Number.isFinite(answer.value)) { return 'The figure that the instrument shows.'; }
            if (section.dataset.kind === 'choose' && answer.skip_reason === undefined && !answer.choice) { return 'Choose one of the answers.'; }
            return answer.note || this.isAsExpected(section, answer) ? '' : 'Say what was found, or why: a note is needed.';
        },
        isAsExpected({ dataset }, answer) {
            if (answer.skip_reason !== undefined || dataset.kind === 'time') { return false; }
            if (dataset.kind === 'choose') { return answer.choice === dataset.wanted; }
            if (dataset.kind !== 'measure') { return answer.so === true; }
            return !(dataset.min !== '' && answer.value < Number(dataset.min)) && !(dataset.max !== '' && answer.value > Number(dataset.max)) && !this.isBeyond(dataset, answer);
        },
        isBeyond(dataset, answer) { return dataset.stopOver !== '' && answer.value > Number(dataset.stopOver); },
        closes(section, answer) {
            if (this.isAsExpected(section, answer)) { return true; }
            const isNotSo = answer.so === false || (section.dataset.kind === 'choose' && answer.skip_reason === undefined) || (answer.value !== undefined && this.isBeyond(section.dataset, answer));
            return !isNotSo && section.dataset.hold !== '1';
        },
        tell(section, message) {
            const place = section.querySelector('[data-fault]');
            place.textContent = message;
            place.hidden = message === '';
        },

        /** Shows the first step that is neither answered nor waits for one that is not. */
        show() {
            const closed = new Set(JSON.parse(this.$root.querySelector('#procedure').dataset.closed));
            for (const answer of this.waiting) {
                if (answer.closes) { closed.add(answer.step); } else { closed.delete(answer.step); }
                this.$root.querySelector(`[data-item="${CSS.escape(answer.step)}"]`)?.classList.add('is-waiting');
            }
            if (this.waiting.length === 0) { return; } // what the server shows is right
            const sections = [...this.$root.querySelectorAll('[data-step]')];
            const next = sections.find(({ dataset }) => !closed.has(dataset.step) && dataset.waits.split(' ').every((id) => id === '' || closed.has(id)));
            for (const section of sections) { section.hidden = section !== next; }
        },

        async send() {
            if (isSending || this.waiting.length === 0 || !navigator.onLine) { return; }
            isSending = true;
            this.isSendingNow = true;
            const batch = [...this.waiting];
            try {
                const answer = await fetch(this.$root.dataset.sendTo, {
                    method: 'POST',
                    headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                    body: JSON.stringify({ answers: batch.map(({ run: _, order, closes, ...one }) => one) }),
                });
                if (answer.ok) { await this.sent(batch, await answer.json()); } else { this.problem = this.wordsFor(answer.status); }
            } catch {
                // no network: they stay here and are tried again
            } finally {
                isSending = false;
                this.isSendingNow = false;
            }
        },
        /** What the server has is dropped here; what it refused is shown at its step, and is not lost from the page. */
        async sent(batch, { kept, refused }) {
            this.problem = '';
            const page = await fetch(location.pathname, { headers: { Accept: 'text/html' } });
            if (!page.ok || page.redirected) { return; }
            // The page that shows the answers must be on the device before they leave it: a reload without a network reads that page.
            await (await caches.open(PAGES)).put(location.pathname, page.clone());
            for (const { id } of batch) {
                if (kept.includes(id) || refused.some((one) => one.id === id)) { await dropAnswer(id); }
            }
            this.waiting = await answersOf(run);
            const fresh = new DOMParser().parseFromString(await page.text(), 'text/html').querySelector('#procedure');
            this.$root.querySelector('#procedure').replaceWith(document.adoptNode(fresh));
            this.show();
            this.$root.querySelector('.now:not([hidden])')?.scrollIntoView({ block: 'nearest' });
            for (const one of refused) {
                const was = batch.find(({ id }) => id === one.id);
                const section = was && this.$root.querySelector(`[data-step="${CSS.escape(was.step)}"]`);
                if (section) { this.putBack(section, was); this.tell(section, one.message); } else { this.problem = `Not taken: ${one.message}`; }
            }
        },
        putBack(section, was) {
            for (const name of ['value', 'note']) {
                const field = section.querySelector(`[name="${name}"]`);
                if (field) { field.value = was[name] ?? (name === 'note' ? was.skip_reason ?? '' : ''); }
            }
        },
        wordsFor(status) {
            return status === 409 ? 'This run is signed; these answers stay on this phone.'
                : status === 401 || status === 419 ? 'Sign in again to send; the answers are safe here.' : '';
        },
        async keepAwake() {
            if (document.visibilityState === 'visible') {
                try { await navigator.wakeLock?.request('screen'); } catch { /* the device decides */ }
            }
        },
    };
}

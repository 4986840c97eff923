import { dropReading, readingsOf, saveReading } from '../device-store.js';

const RETRY_MS = 4000;
const SOON_MS = 60_000;
const csrf = () => document.querySelector('meta[name=csrf-token]').content;
const clock = (ms) => `${Math.floor(ms / 60_000)}:${String(Math.floor(ms / 1000) % 60).padStart(2, '0')}`;
const hour = (ms) => new Date(ms).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
const number = (typed) => (/^-?\d+([.,]\d+)?$/.test(typed.trim()) ? Number(typed.trim().replace(',', '.')) : null);

/** A figure outside of its band, and the one that was likelier meant: a point too far left or right. */
export function doubtOf(value, band) {
    if (band === null || (value >= band[0] && value <= band[1])) {
        return null;
    }
    const likelier = [value / 10, value * 10, value / 100].find((one) => one >= band[0] && one <= band[1]);
    return { suggestion: likelier === undefined ? null : Number(likelier.toPrecision(6)) };
}

/**
 * One reading of a load test on a phone. It is saved on the device, then sent; its id is made here, so that sending it twice is once.
 * Fields are never filled in: what was read last stands beside them.
 */
export function reading() {
    let setup = null; // not reactive: a large constant
    let isSending = false;
    let sounded = null; // the reading that was called for last
    let audio = null;

    return {
        waiting: [],
        taken: [], // when readings were taken, in ms since 1970, the server's and ours
        proved: [],
        stops: [],
        question: null,
        kept: {}, // figures that were asked about and stay as typed
        problem: '',
        refused: '',
        now: Date.now(),
        isSendingNow: false,

        async init() {
            setup = JSON.parse(this.$el.dataset.reading);
            this.stops = setup.stops;
            this.proved = setup.proved;
            this.waiting = await readingsOf(setup.test);
            this.arrive(setup);
            this.was(this.waiting.at(-1)?.typed ?? setup.last);
            addEventListener('online', () => this.send());
            setInterval(() => this.send(), RETRY_MS);
            setInterval(() => this.tick(), 500);
            this.$refs.form?.addEventListener('keydown', (event) => this.next(event));
            this.$refs.form?.addEventListener('focusout', (event) => this.ask(event.target));
            document.addEventListener('visibilitychange', () => this.keepAwake());
            this.keepAwake();
            navigator.storage?.persist?.().catch(() => {});
            this.send();
        },

        get isAsking() {
            return this.question !== null;
        },
        get hasSuggestion() {
            return typeof this.question?.suggestion === 'number';
        },
        get questionWords() {
            const { label, typed, unit, suggestion } = this.question ?? {};
            return this.isAsking ? `${label}: ${typed} ${unit}? ${suggestion === null ? '' : `You may mean ${suggestion} ${unit}.`}` : '';
        },
        get suggestionWords() {
            return this.hasSuggestion ? `Use ${this.question.suggestion} ${this.question.unit}` : '';
        },
        get keepWords() {
            return this.isAsking ? `Keep ${this.question.typed} ${this.question.unit}` : '';
        },
        get netWords() {
            if (this.refused) {
                return this.refused;
            }
            const others = this.waiting.filter((one) => !this.isMine(one)).length;
            if (others > 0) {
                return `${others} read here by somebody else: sent when that person signs in`;
            }
            return this.waiting.length === 0
                ? 'Kept on this device first. All sent.'
                : this.isSendingNow
                  ? `Sending ${this.waiting.length}`
                  : 'Saved on this device';
        },
        get unsentWords() {
            return this.waiting.length > 0 ? `${this.waiting.length} to send` : '';
        },
        get saveWords() {
            return `Save reading ${this.taken.length + 1}`;
        },
        get provedWords() {
            return this.proved.length > 0 ? `Proved so far: ${this.proved.join('; ')}` : '';
        },
        get hasStop() {
            return this.stops.length > 0;
        },
        get stopWords() {
            return `End the test. ${this.stops.join(' ')}`;
        },
        /** When the next reading is due; the first one begins the test. */
        get dueMs() {
            if (!setup || this.taken.length === 0) {
                return null;
            }
            const start = this.taken[0] - setup.due[0] * 1000;
            const done = this.taken.at(-1);
            const due = setup.due.map((seconds) => start + seconds * 1000).find((at) => at > done + 30_000);
            return due ?? null;
        },
        get countdown() {
            if (this.dueMs === null) {
                return this.taken.length === 0 ? 'first reading' : 'all read';
            }
            return this.dueMs > this.now ? clock(this.dueMs - this.now) : `+${clock(this.now - this.dueMs)}`;
        },
        get nextWords() {
            if (this.dueMs === null) {
                return this.taken.length === 0 ? 'at the beginning of the warm-up' : `${this.taken.length} readings`;
            }
            const words = this.dueMs > this.now ? 'next reading' : 'late: reading of';
            return `${words} ${hour(this.dueMs)}, ${this.taken.length} of ${setup.total} read`;
        },
        get clockClass() {
            return this.dueMs !== null && this.dueMs <= this.now ? 'is-due' : '';
        },

        isMine({ maker }) {
            return maker === setup.user;
        },
        tick() {
            this.now = Date.now();
            if (this.dueMs !== null && this.dueMs - this.now < SOON_MS && sounded !== this.dueMs) {
                if (this.dueMs <= this.now) {
                    sounded = this.dueMs;
                    if (navigator.userActivation?.hasBeenActive) {
                        navigator.vibrate?.([200, 100, 200]);
                    }
                    this.tone();
                }
            }
        },
        tone() {
            if (!audio) {
                return; // a page may sound only after it was touched
            }
            const source = audio.createOscillator();
            source.frequency.value = 880;
            source.connect(audio.destination);
            source.start();
            source.stop(audio.currentTime + 0.25);
        },
        keepAwake() {
            if (document.visibilityState === 'visible') {
                navigator.wakeLock?.request('screen').catch(() => {});
            }
        },

        /** What was read last stands beside each field, and never in it. */
        was(figures) {
            for (const place of this.$el.querySelectorAll('[data-was]')) {
                const value = figures?.[place.dataset.was];
                place.textContent = value === undefined || value === '' ? '' : `was ${value}`;
            }
        },
        inputs() {
            return [...this.$refs.form.querySelectorAll('input[name]')];
        },
        next(event) {
            if (event.key !== 'Enter' || event.target.tagName !== 'INPUT') {
                return;
            }
            const all = this.inputs();
            const after = all[all.indexOf(event.target) + 1];
            if (after) {
                event.preventDefault();
                after.focus();
            }
        },
        ask(input) {
            if (input?.name === undefined || input.tagName !== 'INPUT' || this.isAsking) {
                return;
            }
            const value = number(input.value);
            const figure = setup.figures[input.name];
            const doubt = value === null || this.kept[input.name] === input.value ? null : doubtOf(value, figure.band);
            if (doubt) {
                const label = input.closest('label').querySelector('b').textContent;
                this.question = { name: input.name, label, typed: input.value, unit: figure.unit, suggestion: doubt.suggestion };
            }
        },
        takeSuggestion() {
            this.$refs.form.elements[this.question.name].value = String(this.question.suggestion);
            this.question = null;
            this.askRest();
        },
        keepTyped() {
            this.kept = { ...this.kept, [this.question.name]: this.question.typed };
            this.question = null;
            this.askRest();
        },
        askRest() {
            this.inputs().forEach((input) => this.ask(input));
        },

        async save() {
            audio ??= window.AudioContext ? new AudioContext() : null;
            this.problem = this.fault();
            this.askRest();
            if (this.problem || this.isAsking) {
                return;
            }
            const typed = Object.fromEntries(this.inputs().map(({ name, value }) => [name, value.trim()]));
            const legs = (key) =>
                Object.keys(typed)
                    .filter((name) => name.startsWith(`${key}.`))
                    .map((name) => number(typed[name]));
            const single = Object.fromEntries(
                Object.keys(typed)
                    .filter((name) => !name.includes('.') && typed[name] !== '')
                    .map((name) => [name, number(typed[name])]),
            );
            const at = new Date();
            const one = {
                id: crypto.randomUUID(),
                run: setup.test,
                order: at.getTime(),
                maker: setup.user,
                typed,
                reading: { taken_at: at.toISOString(), v: legs('v'), a: legs('a'), ...single },
            };
            await saveReading(one);
            navigator.vibrate?.(30);
            this.waiting = [...this.waiting, one];
            this.taken = [...this.taken, at.getTime()];
            this.kept = {};
            this.$refs.form.reset();
            this.was(typed);
            this.inputs()[0].focus();
            this.send();
        },
        fault() {
            for (const input of this.inputs()) {
                const isNeeded = /^[va]\.|^hz$/.test(input.name);
                const isBad = input.value.trim() === '' ? isNeeded : number(input.value) === null;
                input.classList.toggle('is-invalid', isBad);
                input.setAttribute('aria-invalid', String(isBad));
            }
            const bad = this.$refs.form.querySelector('.is-invalid');
            bad?.focus();
            return bad ? 'Volts, amperes and hertz are needed, as figures. The rest may stay empty.' : '';
        },

        async send() {
            const mine = this.waiting.filter((one) => this.isMine(one));
            if (isSending || mine.length === 0 || !navigator.onLine) {
                return;
            }
            isSending = true;
            this.isSendingNow = true;
            try {
                const answer = await fetch(setup.sendTo, {
                    method: 'POST',
                    headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                    body: JSON.stringify({ readings: mine.map(({ id, reading: figures }) => ({ id, ...figures })) }),
                });
                if (answer.ok) {
                    await this.sent(await answer.json());
                } else {
                    this.refused =
                        answer.status === 409
                            ? 'This test is closed; these readings stay on this device.'
                            : answer.status === 401 || answer.status === 419
                              ? 'Sign in again to send; the readings are safe here.'
                              : '';
                }
            } catch {
                // no network: they stay here and are tried again
            } finally {
                isSending = false;
                this.isSendingNow = false;
            }
        },
        async sent(answer) {
            this.refused = answer.refused.length > 0 ? `Kept here, not taken: ${answer.refused[0].message}` : '';
            for (const id of answer.kept) {
                await dropReading(id);
            }
            this.waiting = this.waiting.filter(({ id }) => !answer.kept.includes(id));
            this.proved = answer.proved;
            this.stops = answer.stops;
            this.arrive(answer);
        },
        arrive({ taken }) {
            const ours = this.waiting.map(({ order }) => order);
            this.taken = [...new Set([...taken, ...ours])].sort((a, b) => a - b);
        },
    };
}

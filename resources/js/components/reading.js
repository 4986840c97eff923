import { dropReading, readingsOf, saveReading } from '../device-store.js';
import { shrink } from '../shrink.js';

const RETRY_MS = 4000;
const SOON_MS = 60_000;
const csrf = () => document.querySelector('meta[name=csrf-token]').content;
const clock = (ms) => `${Math.floor(ms / 60_000)}:${String(Math.floor(ms / 1000) % 60).padStart(2, '0')}`;
const hour = (ms) => new Date(ms).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
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
        marks: [], // that count, the server's and ours: kind, level, at in ms since 1970
        picture: null, // of the meter, for the reading that is being typed
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
            this.was(this.waiting.filter(({ reading: figures }) => figures).at(-1)?.typed ?? setup.last);
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

        get lastMark() {
            return this.marks.findLast(({ kind }) => kind !== 'bank_dropped') ?? null;
        },
        get isFailed() {
            return this.lastMark?.kind === 'utility_failed';
        },
        /** What comes next by the plan; after a failure the utility's return. */
        get nextMark() {
            if (!this.lastMark) {
                return { kind: 'started', level: null };
            }
            if (this.isFailed) {
                return { kind: 'utility_back', level: null };
            }
            const steps = this.marks.filter(({ kind }) => kind === 'step_up' || kind === 'step_down');
            const level = setup.levels[steps.length];
            if (this.lastMark.kind === 'cool_down' || this.lastMark.kind === 'stopped') {
                return { kind: 'stopped', level: null };
            }
            if (level === undefined) {
                return { kind: 'cool_down', level: null };
            }
            return { kind: level >= (steps.at(-1)?.level ?? 0) ? 'step_up' : 'step_down', level };
        },
        get nextMarkWords() {
            return setup ? this.markWords(this.nextMark) : 'Set started';
        },
        get stepWords() {
            return this.lastMark ? `${this.markWords(this.lastMark)}, ${hour(this.lastMark.at)}` : 'Not started yet';
        },
        get isRunning() {
            return this.lastMark !== null && this.lastMark.kind !== 'stopped';
        },
        get mayStepDown() {
            return this.isRunning && !this.isFailed && this.marks.some(({ kind }) => kind === 'step_up');
        },
        get mayFail() {
            return this.isRunning && !this.isFailed;
        },
        get mayDrop() {
            return this.isFailed && setup.hasBank && this.marks.at(-1)?.kind !== 'bank_dropped';
        },
        get pictureWords() {
            return this.picture ? 'Picture taken: saved with the reading' : 'Picture of the meter';
        },

        markWords({ kind, level }) {
            return `${setup.words[kind]}${level === null || level === undefined ? '' : ` to ${level} %`}`;
        },
        markNext() {
            return this.mark(this.nextMark.kind, this.nextMark.level);
        },
        markDown() {
            return this.mark('step_down', null);
        },
        markFailed() {
            return this.mark('utility_failed', null);
        },
        markDropped() {
            return this.mark('bank_dropped', null);
        },
        async mark(kind, level) {
            const at = new Date();
            const one = {
                id: crypto.randomUUID(),
                run: setup.test,
                order: at.getTime(),
                maker: setup.user,
                mark: { kind, level_pct: level, at: at.toISOString() },
            };
            await saveReading(one);
            navigator.vibrate?.(60);
            this.waiting = [...this.waiting, one];
            this.marks = [...this.marks, { kind, level, at: at.getTime() }];
            this.send();
        },
        async pictured() {
            const file = this.$refs.camera.files[0];
            this.picture = file ? await shrink(file) : null;
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
            const photo = this.picture && {
                id: crypto.randomUUID(),
                run: setup.test,
                order: at.getTime() + 0.5, // after its reading
                maker: setup.user,
                photo: this.picture,
                of: one.id,
            };
            if (photo) {
                await saveReading(photo);
            }
            this.picture = null;
            navigator.vibrate?.(30);
            this.waiting = [...this.waiting, one, ...(photo ? [photo] : [])];
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
                await this.sendFigures(mine);
                for (const photo of mine.filter((one) => one.photo && !one.refused)) {
                    await this.sendPhoto(photo);
                }
            } catch {
                // no network: they stay here and are tried again
            } finally {
                isSending = false;
                this.isSendingNow = false;
            }
        },
        async sendFigures(mine) {
            const readings = mine.filter((one) => one.reading).map(({ id, maker, reading: figures }) => ({ id, maker, ...figures }));
            const marks = mine.filter((one) => one.mark).map(({ id, maker, mark }) => ({ id, maker, ...mark }));
            if (readings.length + marks.length === 0) {
                return;
            }
            const answer = await fetch(setup.sendTo, {
                method: 'POST',
                headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                body: JSON.stringify({ readings, marks }),
            });
            if (answer.ok) {
                await this.sent(await answer.json());
            } else {
                this.refuse(answer.status);
            }
        },
        refuse(status) {
            this.refused =
                status === 409
                    ? 'This test is closed; these readings stay on this device.'
                    : status === 401 || status === 419
                      ? 'Sign in again to send; the readings are safe here.'
                      : '';
        },
        /** Each picture goes by itself, so that a network that drops every few seconds loses one at most. */
        async sendPhoto(one) {
            if (this.waiting.some(({ id }) => id === one.of)) {
                return; // its reading is not there yet
            }
            const form = new FormData();
            form.append('id', one.id);
            form.append('reading', one.of);
            form.append('maker', one.maker);
            form.append('client_wall', new Date(one.order).toISOString());
            form.append('photo', one.photo, 'meter.jpg');
            const answer = await fetch(setup.photosTo, {
                method: 'POST',
                headers: { Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                body: form,
            });
            if (answer.ok) {
                await dropReading(one.id);
                this.waiting = this.waiting.filter(({ id }) => id !== one.id);
            } else if (answer.status === 422) {
                // it stays on the device, and does not hold up the others
                const refused = { ...one, refused: true };
                await saveReading(refused);
                this.waiting = this.waiting.map((other) => (other.id === one.id ? refused : other));
                this.refused = 'A picture was not taken by the server; it stays on this device.';
            } else {
                this.refuse(answer.status);
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
        arrive({ taken, marks }) {
            const ours = this.waiting.filter((one) => one.reading).map(({ order }) => order);
            this.taken = [...new Set([...taken, ...ours])].sort((a, b) => a - b);
            const marked = this.waiting
                .filter((one) => one.mark)
                .map(({ mark, order }) => ({
                    kind: mark.kind,
                    level: mark.level_pct,
                    at: order,
                }));
            this.marks = [...(marks ?? []), ...marked].sort((a, b) => a.at - b.at);
        },
    };
}

import { epochOf, marksOf, saveEpoch, saveMark } from '../device-store.js';
import { intervalOf, methodOf, runsOf, standing, startOf } from '../intervals.js';
import { Gauge } from './gauge.js';

const RETRY_MS = 4000;
const REST_MS = 400;

const clockNow = () => performance.timeOrigin + performance.now(); // monotonic while the page lives, unlike Date.now()
const seconds = (ms) =>
    ms < 100000 ? `${(ms / 1000).toFixed(1)}\u202Fs` : `${Math.floor(ms / 60000)}:${((ms % 60000) / 1000).toFixed(1).padStart(4, '0')}`;
const vibrate = () => navigator.vibrate?.(30);

/**
 * The stopwatch. A mark is saved on the device, shown, and sent when there is a network; its id is made here, so that
 * sending it twice is once. What a time means is said by the server's verdict; the windows shown here are the core's.
 */
export function stopwatch() {
    let setup = null; // not reactive: a large constant
    let gauge = null;
    let isSending = false;

    return {
        marks: [],
        epoch: null,
        chosen: null, // the way of the timed run that is about to begin
        skipped: [],
        isReady: false, // before the store is read the button could name the wrong mark
        isOnline: navigator.onLine,
        isRefused: '',
        isResting: false,
        isSendingNow: false,
        isFinished: false,
        noting: null,

        async init() {
            setup = JSON.parse(this.$el.dataset.watch);
            this.$el.dataset.runId = setup.runId;
            this.isFinished = setup.isSigned;
            gauge = new Gauge(this.$refs.gauge);
            this.epoch = await epochOf(setup.runId);
            await this.take(setup.marks);
            this.isReady = true;
            addEventListener('online', () => {
                this.isOnline = true;
                this.send();
            });
            addEventListener('offline', () => {
                this.isOnline = false;
            });
            setInterval(() => this.send(), RETRY_MS);
            addEventListener('keydown', (event) => this.key(event));
            this.keepAwake();
            document.addEventListener('visibilitychange', () => this.keepAwake());
            const tick = () => {
                this.turn();
                requestAnimationFrame(tick);
            };
            tick();
            this.send();
        },

        /**
         * The server's marks and the device's own, as one list; an unsent edit of this device wins on this screen. What was pressed
         * while the store was being read is on the screen only, and newer than what was read.
         */
        async take(fromServer) {
            const stored = await marksOf(setup.runId);
            const mine = new Map([...stored, ...this.marks].map((mark) => [mark.id, mark]));
            for (const mark of fromServer) {
                if (mine.get(mark.id)?.sent !== false) {
                    mine.set(mark.id, { ...mark, run: setup.runId, sent: true });
                }
            }
            this.marks = [...mine.values()].sort((a, b) => a.at_ms - b.at_ms);
            const first = this.marks.find((mark) => mark.client_wall);
            if (this.epoch === null && first) {
                this.epoch = Date.parse(first.client_wall) - first.at_ms;
                await saveEpoch(setup.runId, this.epoch);
            }
        },

        get standing() {
            return setup ? standing(this.marks, setup.ways) : [];
        },
        get runs() {
            return setup ? runsOf(this.marks, setup.ways) : [];
        },
        get run() {
            return this.chosen === null ? (this.runs.at(-1) ?? []) : [];
        },
        get way() {
            return setup.ways.find(({ id }) => id === this.chosen) ?? this.wayOf(this.run);
        },
        get wayName() {
            return setup ? this.way.name : '';
        },
        get whereWords() {
            return setup ? this.way.where : '';
        },
        get provesWords() {
            return setup ? this.way.proves : '';
        },
        /** Once a run is timed to its end, or before anything is, another can be begun. */
        get choices() {
            if (!this.isReady || this.isFinished || this.chosen !== null) {
                return [];
            }
            return this.isDone ? setup.ways : this.run.length === 0 ? setup.ways.filter(({ id }) => id !== this.way.id) : [];
        },

        get isEmpty() {
            return this.marks.length === 0;
        },
        get step() {
            if (!setup) {
                return null;
            }
            const { steps } = this.way;
            const last = this.run.reduce(
                (place, mark) =>
                    Math.max(
                        place,
                        steps.findIndex((step) => step.event === mark.event),
                    ),
                -1,
            );
            return steps.slice(last + 1).find((step) => !this.skipped.includes(step.event)) ?? null;
        },
        get isOpen() {
            return this.isReady && !this.isFinished && this.step !== null;
        },
        get isDone() {
            return !this.isFinished && this.step === null && !this.isEmpty;
        },
        get isRunning() {
            return this.isOpen && this.run.length > 0;
        },
        get buttonWords() {
            return this.step?.button ?? '';
        },
        get whenWords() {
            return this.step?.when ?? '';
        },
        get canUndo() {
            return this.chosen !== null || this.standing.length > 0;
        },
        get undoWords() {
            const last = this.lastStanding();
            return this.chosen !== null ? 'Not now' : last ? `Undo ${seconds(last.at_ms - this.run[0].at_ms)}` : 'Undo';
        },
        get canSkip() {
            return this.step?.optional === true && this.run.length > 0;
        },
        get skipWords() {
            return this.step?.event === 'bait_on' ? 'No bait test' : `Skip: ${this.step?.name.toLowerCase()}`;
        },
        get isNoting() {
            return this.noting !== null;
        },
        get noteWords() {
            const mark = this.marks.find((one) => one.id === this.noting);
            return mark ? `Note on "${this.nameOf(mark)}"` : '';
        },
        get unsent() {
            return this.marks.filter((mark) => !mark.sent).length;
        },
        get netWords() {
            if (this.isRefused) {
                return this.isRefused;
            }
            if (this.unsent === 0) {
                return this.isEmpty ? 'Marks are kept on this device first.' : 'All sent.';
            }
            const others = this.marks.filter((mark) => !mark.sent && this.isForeign(mark)).length;
            if (others > 0) {
                return `${others} made here by somebody else: sent when that person signs in`;
            }
            return this.isSendingNow ? `Sending ${this.unsent}` : 'Saved on this device';
        },
        get unsentWords() {
            return this.unsent > 0 ? `${this.unsent} to send` : '';
        },
        get lines() {
            const { runs } = this;
            return this.marks.map((mark) => {
                const run = runs.findLast(([first]) => first.at_ms <= mark.at_ms) ?? runs[0] ?? [mark];
                const isAtHand = this.chosen === null && (runs.length === 0 || run === runs.at(-1));
                // the head of the page names the run at hand
                const isFirst = run[0].id === mark.id && runs.length > 1 && (this.isFinished || !isAtHand);
                return {
                    id: mark.id,
                    isNow: this.isFinished || isAtHand,
                    title: isFirst ? this.wayOf(run).name : '',
                    css: (mark.undone ? 'is-undone ' : '') + (mark.sent ? '' : 'is-waiting ') + (isFirst ? 'has-title' : ''),
                    glyph: mark.undone || mark.flag ? '#m-note' : '#m-proven',
                    name: this.nameOf(mark),
                    clock: seconds(Math.max(0, mark.at_ms - run[0].at_ms)),
                    words: this.wordsOf(mark, run),
                    note: mark.note ?? '',
                    noteLabel: `Note on ${this.nameOf(mark)}`,
                };
            });
        },

        /** Only the run at hand stands above the button, so that the button stays where the thumb is. */
        get linesNow() {
            return this.lines.filter(({ isNow }) => isNow);
        },
        get linesBefore() {
            return this.lines.filter(({ isNow }) => !isNow);
        },
        get hasEarlier() {
            return this.linesBefore.length > 0;
        },

        wayOf(run) {
            return methodOf(run, setup.ways);
        },
        nameOf(mark) {
            return setup.ways.flatMap((way) => way.steps).find((step) => step.event === mark.event)?.name ?? mark.event;
        },
        lastStanding() {
            return this.standing[this.standing.length - 1] ?? null;
        },
        wordsOf(mark, run) {
            if (mark.undone) {
                return 'struck out';
            }
            const step = this.wayOf(run).steps.find((one) => one.event === mark.event);
            const late = mark.late_reason ? ', late entry' : '';
            const early = mark.flag ? 'before an earlier mark' : '';
            if (!step) {
                return early + late;
            }
            const isBait = step.event === 'bait_off'; // each bait is a pair of its own
            const { start, end, window } = intervalOf(isBait ? run.slice(0, run.indexOf(mark) + 1) : run, step);
            if (!isBait && end && end !== mark) {
                return `again${late}`;
            } // the first after its beginning is the one that counts
            if (!start || !end || !window || window[0] === null) {
                return early + late;
            }
            return `${seconds(mark.at_ms - start.at_ms)} in ${seconds(window[0]).replace('\u202Fs', '')} to ${seconds(window[2])}${late}`;
        },

        /** What was never sent is its maker's still; a change of what the server has is the person's who makes it. */
        makerOf(mark) {
            return mark.sent ? setup.userId : mark.maker;
        },
        isForeign(mark) {
            return mark.maker !== undefined && mark.maker !== setup.userId;
        },

        /** Another timed run is about to begin; its first mark makes it so. */
        choose(id) {
            this.chosen = id;
            this.skipped = [];
        },

        async mark() {
            const step = this.step;
            if (!this.isOpen || this.isResting) {
                return;
            }
            this.isResting = true;
            setTimeout(() => {
                this.isResting = false;
            }, REST_MS);
            const now = clockNow();
            if (this.epoch === null) {
                this.epoch = now;
                saveEpoch(setup.runId, now);
            }
            vibrate();
            this.chosen = null;
            await this.keep({
                id: crypto.randomUUID(),
                run: setup.runId,
                event: step.event,
                at_ms: Math.max(0, Math.round(now - this.epoch)),
                client_wall: new Date(now).toISOString(),
                note: null,
                late_reason: null,
                undone: false,
                flag: null,
                sent: false,
                maker: setup.userId,
            });
        },
        async undo() {
            const last = this.lastStanding();
            if (this.chosen !== null) {
                this.chosen = null;
            } else if (last) {
                this.skipped = [];
                await this.keep({ ...last, undone: true, sent: false, maker: this.makerOf(last) });
            }
        },
        beginNote(id) {
            this.noting = id;
            this.$refs.note.value = this.marks.find((mark) => mark.id === id)?.note ?? '';
            this.$nextTick(() => this.$refs.note.focus());
        },
        async saveNote() {
            const mark = this.marks.find((one) => one.id === this.noting);
            this.noting = null;
            if (mark) {
                await this.keep({ ...mark, note: this.$refs.note.value.trim() || null, sent: false, maker: this.makerOf(mark) });
            }
        },
        skip() {
            if (this.step?.event === 'bait_on') {
                this.skipped.push('bait_on', 'bait_off');
            } else if (this.step) {
                this.skipped.push(this.step.event);
            }
        },
        async keep(mark) {
            this.marks = [...this.marks.filter((other) => other.id !== mark.id), mark].sort((a, b) => a.at_ms - b.at_ms);
            await saveMark({ ...mark });
            this.send();
        },

        async send() {
            const waiting = this.marks.filter((mark) => !mark.sent && !this.isForeign(mark));
            if (isSending || waiting.length === 0 || !navigator.onLine) {
                return;
            }
            isSending = true;
            this.isSendingNow = true;
            try {
                const answer = await fetch(setup.sendTo, {
                    method: 'POST',
                    headers: {
                        'Content-Type': 'application/json',
                        Accept: 'application/json',
                        'X-CSRF-TOKEN': document.querySelector('meta[name=csrf-token]').content,
                    },
                    body: JSON.stringify({ marks: waiting.map(({ run, sent, flag, ...mark }) => mark) }),
                });
                if (answer.ok) {
                    await this.sent(waiting, await answer.json());
                } else {
                    this.refused(answer.status);
                }
            } catch {
                // no network: they stay here and are tried again
            } finally {
                isSending = false;
                this.isSendingNow = false;
            }
        },
        async sent(waiting, answer) {
            this.isRefused = answer.refused.length > 0 ? `Kept here, not taken: ${answer.refused[0].message}` : '';
            for (const mark of waiting) {
                const now = this.marks.find((other) => other.id === mark.id);
                if (answer.kept.includes(mark.id) && now && now.undone === mark.undone && now.note === mark.note) {
                    const arrived = { ...now, sent: true };
                    this.marks = this.marks.map((other) => (other.id === mark.id ? arrived : other));
                    await saveMark(arrived);
                }
            }
            await this.take(answer.marks);
            document.body.dispatchEvent(new CustomEvent('marks-sent'));
        },
        refused(status) {
            this.isRefused =
                status === 409
                    ? 'This run is signed; these marks stay on this device.'
                    : status === 401 || status === 419
                      ? 'Sign in again to send; the marks are safe here.'
                      : '';
        },

        turn() {
            const step = this.step;
            if (!this.isRunning || !step) {
                return;
            }
            const { mark, window } = startOf(this.run, step);
            const from = mark ?? this.lastStanding();
            const gone = Math.max(0, (clockNow() - this.epoch - from.at_ms) / 1000);
            const name = this.nameOf(from).toLowerCase();
            gauge.show(
                gone,
                window && window[0] !== null ? { min: window[0] / 1000, max: window[2] / 1000 } : null,
                setup.reactionMs / 1000,
                `seconds since ${name}`,
            );
        },
        key(event) {
            if (event.target.closest('input, textarea, select, summary, a, button')) {
                return;
            }
            if (event.key === ' ' || event.key === 'Enter') {
                event.preventDefault();
                this.mark();
            } else if (event.key === 'u') {
                this.undo();
            }
        },
        async keepAwake() {
            if (document.visibilityState === 'visible') {
                try {
                    await navigator.wakeLock?.request('screen');
                } catch {
                    /* the device decides */
                }
            }
        },
    };
}

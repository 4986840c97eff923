const TICK_MS = 100;

/** The clock of a bench between two looks at it: it goes on by its rate, and is put right by each look. */
export const benchClock = () => ({
    baseMs: 0,
    rate: 0,
    since: 0,
    mark: '',
    shown: '0:00.0',

    init() {
        this.tick();
        this.timer = setInterval(() => this.tick(), TICK_MS);
    },
    destroy() {
        clearInterval(this.timer);
    },
    tick() {
        const { t, rate } = this.$root.dataset;
        if (this.mark !== `${t}/${rate}`) {
            this.mark = `${t}/${rate}`;
            this.baseMs = Number(t);
            this.rate = Number(rate);
            this.since = performance.now();
        }
        const ms = this.baseMs + (performance.now() - this.since) * this.rate;
        const hours = Math.floor(ms / 3_600_000);
        const minutes = Math.floor(ms / 60_000) % 60;
        const seconds = ((ms / 1000) % 60).toFixed(1).padStart(4, '0');
        this.shown = hours > 0 ? `${hours}:${String(minutes).padStart(2, '0')}:${seconds}` : `${minutes}:${seconds}`;
    },
});

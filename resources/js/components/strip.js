// The cursor on the timing strip. All it knows was computed by the server: where a time is, and what holds from when.

const clock = (ms) => {
    const tenths = Math.round(ms / 100);
    return `${Math.floor(tenths / 600)}:${String(Math.floor((tenths % 600) / 10)).padStart(2, '0')}.${tenths % 10}`;
};

class StripCursor {
    constructor(strip) {
        this.strip = strip;
        this.data = JSON.parse(strip.dataset.cursor);
        this.scroll = strip.querySelector('.strip-scroll');
        this.plot = strip.querySelector('.strip-plot');
        this.group = strip.querySelector('.strip-cursor');
        this.slider = strip.querySelector('.strip-scrub');
        this.items = [...document.querySelectorAll('.events > li')];
        this.isDragging = false;
        this.scroll.addEventListener('pointerdown', (event) => {
            if (!event.target.closest('.grip')) { this.isDragging = true; this.follow(event); }
        });
        addEventListener('pointermove', (event) => { if (this.isDragging) { this.follow(event); } });
        addEventListener('pointerup', () => { this.isDragging = false; });
        addEventListener('pointercancel', () => { this.isDragging = false; });
        this.slider.addEventListener('keydown', (event) => this.key(event));
        this.items.forEach((item, i) => item.firstElementChild.addEventListener('click', () => this.go(this.data.moments[i].ms)));
        strip.querySelectorAll('.grip').forEach((grip) => this.attachGrip(grip));
        this.go(this.data.moments[0]?.ms ?? 0, false);
    }

    // A grip only types into the delay's field; the server plays the new run. Escape puts it back.
    attachGrip(grip) {
        const field = document.querySelector(`#turn [name="d[/${grip.dataset.timer}_ms]"]`);
        if (!field) { return; }
        const from = Number(grip.dataset.fromMs), was = field.value;
        const bar = this.plot.querySelector(`[data-bar="${grip.dataset.for}"]`);
        const start = this.x(from), end = start + Number(bar.getAttribute('width'));
        const show = (seconds) => {
            const x = Math.max(start + 3.4, this.x(from + seconds * 1000));
            bar.setAttribute('width', x - start);
            grip.setAttribute('transform', `translate(${(x - end).toFixed(1)} 0)`);
            grip.setAttribute('aria-valuenow', seconds);
            grip.setAttribute('aria-valuetext', `${grip.getAttribute('aria-label')} ${seconds.toFixed(1)} seconds`);
            field.value = String(Math.round(seconds * 10) / 10);
        };
        let played = was;
        const play = () => {
            if (field.value !== played) {
                played = field.value; // once: letting go and losing the focus are the same end of one move
                field.dispatchEvent(new Event('change', { bubbles: true }));
            }
        };
        const atPointer = (event) => Math.max(0, (this.ms(event.clientX - this.plot.getBoundingClientRect().left) - from) / 1000);
        let isHeld = false;
        grip.addEventListener('pointerdown', (event) => { isHeld = true; grip.setPointerCapture(event.pointerId); event.preventDefault(); grip.focus(); });
        grip.addEventListener('pointermove', (event) => { if (isHeld) { show(atPointer(event)); } });
        grip.addEventListener('pointerup', () => { isHeld = false; play(); });
        grip.addEventListener('pointercancel', () => { isHeld = false; show(Number(was)); });
        grip.addEventListener('keydown', (event) => {
            const step = { ArrowRight: 0.1, ArrowLeft: -0.1, PageUp: 1, PageDown: -1 }[event.key];
            if (step !== undefined) {
                event.preventDefault();
                show(Math.max(0, Math.round((Number(field.value) + step) * 10) / 10));
            } else if (event.key === 'Escape') {
                show(Number(was));
                field.value = was;
            } else if (event.key === 'Enter') {
                play();
            }
        });
        grip.addEventListener('blur', () => { if (!isHeld) { play(); } });
    }

    x(ms) {
        const segment = this.data.segments.find(([, to]) => ms <= to) ?? this.data.segments[this.data.segments.length - 1];
        const [fromMs, toMs, fromX, toX] = segment;
        return fromX + Math.max(0, Math.min(1, (ms - fromMs) / Math.max(1, toMs - fromMs))) * (toX - fromX);
    }

    ms(x) {
        const segment = this.data.segments.find(([, , , toX]) => x <= toX) ?? this.data.segments[this.data.segments.length - 1];
        const [fromMs, toMs, fromX, toX] = segment;
        return Math.round(fromMs + Math.max(0, Math.min(1, (x - fromX) / Math.max(0.1, toX - fromX))) * (toMs - fromMs));
    }

    follow(event) { this.go(this.ms(event.clientX - this.plot.getBoundingClientRect().left)); }

    key(event) {
        const moves = { ArrowRight: 1, ArrowLeft: -1, Home: -Infinity, End: Infinity };
        const way = moves[event.key];
        if (way === undefined) { return; }
        event.preventDefault();
        if (!Number.isFinite(way)) { return this.go(way < 0 ? 0 : this.data.untilMs); }
        if (event.shiftKey) { return this.go(this.at + way * 100); }
        const times = this.data.moments.map((moment) => moment.ms);
        const next = way > 0 ? times.find((ms) => ms > this.at) : times.filter((ms) => ms < this.at).pop();
        this.go(next ?? (way > 0 ? this.data.untilMs : 0));
    }

    go(ms, mayScroll = true) {
        this.at = Math.max(0, Math.min(this.data.untilMs, ms));
        const x = this.x(this.at);
        this.group.removeAttribute('hidden');
        this.group.setAttribute('transform', `translate(${x.toFixed(1)} 0)`);
        const width = this.plot.getBoundingClientRect().width;
        const flag = Math.max(30, Math.min(width - 30, x)) - x;
        this.group.querySelector('rect').setAttribute('x', flag - 30);
        const text = this.group.querySelector('text');
        text.setAttribute('x', flag);
        text.textContent = clock(this.at);
        if (mayScroll && this.scroll.scrollWidth > this.scroll.clientWidth && (x < this.scroll.scrollLeft + 20 || x > this.scroll.scrollLeft + this.scroll.clientWidth - 20)) {
            this.scroll.scrollLeft = x - this.scroll.clientWidth / 2;
        }
        this.say(this.moment());
    }

    moment() {
        let place = -1;
        this.data.moments.forEach((moment, i) => { if (moment.ms <= this.at) { place = i; } });
        return place;
    }

    volts() {
        const corners = this.data.volts;
        for (let i = corners.length - 1; i > 0; i--) {
            const [from, v] = corners[i - 1], [to, w] = corners[i];
            if (this.at >= to) { return w; }
            if (this.at >= from && to > from) { return v + (w - v) * (this.at - from) / (to - from); }
        }
        return corners[0][1];
    }

    say(place) {
        this.items.forEach((item, i) => item.classList.toggle('now', i === place));
        const list = this.items[0]?.parentElement;
        const now = this.items[place];
        if (now && list.scrollHeight > list.clientHeight) { // the list follows the cursor, the page stays
            list.scrollTop = now.offsetTop - list.offsetTop - 4;
        }
        const state = this.data.moments[place];
        const put = (name, words) => { const cell = document.querySelector(`#cursor-values [data-at="${name}"]`); if (cell) { cell.textContent = words; } };
        const flag = document.querySelector('#cursor-clock');
        if (flag) { flag.textContent = clock(this.at); }
        put('volts', `${this.volts().toFixed(0)}\u202FV`);
        put('n', !state || state.n ? 'good' : 'lost');
        put('engine', state?.engine ?? 'stopped');
        put('position', state?.position ?? 'utility');
        put('live', !state || state.live ? 'live' : 'dark');
        const [name, timer] = Object.entries(state?.timers ?? {})[0] ?? [];
        put('timer', name ? `${name} ${((this.at - timer[0]) / 1000).toFixed(1)} of ${(timer[1] / 1000).toFixed(1)}\u202Fs` : 'none');
        this.slider.setAttribute('aria-valuenow', this.at);
        this.slider.setAttribute('aria-valuetext', `at ${clock(this.at)}: ${this.items[place]?.querySelector('b')?.textContent ?? 'nothing has happened yet'}`);
    }
}

export function attachStrips() {
    document.querySelectorAll('.strip[data-cursor]:not([data-attached])').forEach((strip) => {
        strip.dataset.attached = 'yes';
        new StripCursor(strip);
    });
}

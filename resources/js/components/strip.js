import { savePicture } from './picture.js';

// The cursor on the timing strip. It only looks up what the core's timeline says: where a time is, and what holds from when.

const clock = (ms) => {
    const tenths = Math.round(ms / 100);
    return `${Math.floor(tenths / 600)}:${String(Math.floor((tenths % 600) / 10)).padStart(2, '0')}.${tenths % 10}`;
};

// The field is played when its value has changed since, and once: letting go and losing the focus are the same end of one move.
function playsOnce(field) {
    let played = field.value;

    return () => {
        if (field.value !== played) {
            played = field.value;
            field.dispatchEvent(new Event('change', { bubbles: true }));
        }
    };
}

// What every grip answers to: arrows and pages turn it, Escape takes it back, Enter plays. True when the key was one of these.
export function turnByKey(event, field, was, show, play) {
    const step = { ArrowRight: 0.1, ArrowLeft: -0.1, PageUp: 1, PageDown: -1 }[event.key];
    if (step !== undefined) {
        event.preventDefault();
        show(Math.max(0, Math.round((Number(field.value) + step) * 10) / 10));
    } else if (event.key === 'Escape') {
        show(Number(was));
        field.value = was;
    } else if (event.key === 'Enter') {
        play();
    } else {
        return false;
    }

    return true;
}

// The place of the last one that fits in a list in order, -1 for none.
function last(list, fits) {
    let low = -1,
        high = list.length - 1;
    while (low < high) {
        const middle = Math.ceil((low + high) / 2);
        if (fits(list[middle])) {
            low = middle;
        } else {
            high = middle - 1;
        }
    }
    return low;
}

// Where a moment stands on a strip with folds, and which moment stands there: segments are [fromMs, toMs, fromX, toX].
export function pxAt(segments, ms) {
    const [fromMs, toMs, fromX, toX] = segments.find(([, to]) => ms <= to) ?? segments[segments.length - 1];
    return fromX + Math.max(0, Math.min(1, (ms - fromMs) / Math.max(1, toMs - fromMs))) * (toX - fromX);
}

export function msAt(segments, x) {
    const [fromMs, toMs, fromX, toX] = segments.find(([, , , end]) => x <= end) ?? segments[segments.length - 1];
    return Math.round(fromMs + Math.max(0, Math.min(1, (x - fromX) / Math.max(0.1, toX - fromX))) * (toMs - fromMs));
}

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
            if (!event.target.closest('.grip, .handle')) {
                this.isDragging = true;
                this.follow(event);
            }
        });
        addEventListener('pointermove', (event) => {
            if (this.isDragging) {
                this.follow(event);
            }
        });
        addEventListener('pointerup', () => {
            this.isDragging = false;
        });
        addEventListener('pointercancel', () => {
            this.isDragging = false;
        });
        this.slider.addEventListener('keydown', (event) => this.key(event));
        this.items[0]?.parentElement.addEventListener('click', (event) => {
            const item = event.target.closest('li[data-moment] > button')?.parentElement;
            if (item) {
                this.go(this.data.moments[Number(item.dataset.moment)]);
            }
        });
        this.line = document.querySelector('#small-line');
        strip.querySelectorAll('.grip').forEach((grip) => this.attachGrip(grip));
        strip.querySelectorAll('.handle').forEach((handle) => this.attachHandle(handle));
        this.scroll.addEventListener('dblclick', (event) => this.addOutage(event));
        this.go(this.data.moments[0] ?? 0, false);
    }

    // A grip only types into the delay's field; the server plays the new run. Escape puts it back.
    attachGrip(grip) {
        const field = document.querySelector(`#turn [name="d[/${grip.dataset.timer}_ms]"]`);
        if (!field) {
            return;
        }
        const from = Number(grip.dataset.fromMs),
            was = field.value;
        const bar = this.plot.querySelector(`[data-bar="${grip.dataset.for}"]`);
        const start = this.x(from),
            end = start + Number(bar.getAttribute('width'));
        const show = (seconds) => {
            const x = Math.max(start + 3.4, this.x(from + seconds * 1000));
            bar.setAttribute('width', x - start);
            grip.setAttribute('transform', `translate(${(x - end).toFixed(1)} 0)`);
            grip.setAttribute('aria-valuenow', seconds);
            grip.setAttribute('aria-valuetext', `${grip.getAttribute('aria-label')} ${seconds.toFixed(1)} seconds`);
            field.value = String(Math.round(seconds * 10) / 10);
        };
        const play = playsOnce(field);
        const atPointer = (event) => Math.max(0, (this.ms(event.clientX - this.plot.getBoundingClientRect().left) - from) / 1000);
        let isHeld = false;
        grip.addEventListener('pointerdown', (event) => {
            isHeld = true;
            grip.setPointerCapture(event.pointerId);
            event.preventDefault();
            grip.focus();
        });
        grip.addEventListener('pointermove', (event) => {
            if (isHeld) {
                show(atPointer(event));
            }
        });
        grip.addEventListener('pointerup', () => {
            isHeld = false;
            play();
        });
        grip.addEventListener('pointercancel', () => {
            isHeld = false;
            show(Number(was));
        });
        grip.addEventListener('keydown', (event) => turnByKey(event, field, was, show, play));
        grip.addEventListener('blur', () => {
            if (!isHeld) {
                play();
            }
        });
    }

    // A handle of a piece types into the piece's row: the first moves it, the second stretches it; Delete takes it away.
    attachHandle(handle) {
        const field = document.querySelector(`#turn [name="${handle.dataset.field}"]`);
        if (!field) {
            return;
        }
        const from = Number(handle.dataset.fromMs),
            was = field.value;
        const piece = handle.closest('.piece');
        const isStart = handle.dataset.field.endsWith('[at]');
        const home = this.x(from + Number(was) * 1000);
        const show = (seconds) => {
            const shift = (this.x(from + seconds * 1000) - home).toFixed(1);
            (isStart ? piece : handle).setAttribute('transform', `translate(${shift} 0)`);
            handle.setAttribute('aria-valuenow', seconds);
            handle.setAttribute('aria-valuetext', `${handle.getAttribute('aria-label')} ${seconds.toFixed(1)} seconds`);
            field.value = String(Math.round(seconds * 10) / 10);
        };
        const play = playsOnce(field);
        let offset = null; // where on the handle it was taken
        const at = (event) => Math.max(0, (this.ms(event.clientX - this.plot.getBoundingClientRect().left - offset) - from) / 1000);
        handle.addEventListener('pointerdown', (event) => {
            offset = event.clientX - this.plot.getBoundingClientRect().left - home;
            handle.setPointerCapture(event.pointerId);
            event.preventDefault();
            event.stopPropagation();
            handle.focus();
        });
        handle.addEventListener('pointermove', (event) => {
            if (offset !== null) {
                show(at(event));
            }
        });
        handle.addEventListener('pointerup', () => {
            offset = null;
            play();
        });
        handle.addEventListener('pointercancel', () => {
            offset = null;
            show(Number(was));
        });
        handle.addEventListener('keydown', (event) => {
            if (!turnByKey(event, field, was, show, play) && (event.key === 'Delete' || event.key === 'Backspace')) {
                event.preventDefault();
                document.querySelector(`#turn [name="${handle.dataset.field.replace(/\[(at|lasts)\]$/, '[gone]')}"]`)?.click();
            }
        });
        handle.addEventListener('blur', () => {
            if (offset === null) {
                play();
            }
        });
    }

    // Twice on the strip while a script is being edited: an outage begins there.
    addOutage(event) {
        const add = document.querySelector('#turn button[name="add"][value="volts"]');
        if (add && !event.target.closest('.grip, .handle')) {
            this.follow(event);
            add.click();
        }
    }

    x(ms) {
        return pxAt(this.data.segments, ms);
    }

    ms(x) {
        return msAt(this.data.segments, x);
    }

    follow(event) {
        this.go(this.ms(event.clientX - this.plot.getBoundingClientRect().left));
    }

    key(event) {
        const moves = { ArrowRight: 1, ArrowLeft: -1, Home: -Infinity, End: Infinity };
        const way = moves[event.key];
        if (way === undefined) {
            return;
        }
        event.preventDefault();
        if (!Number.isFinite(way)) {
            return this.go(way < 0 ? 0 : this.data.untilMs);
        }
        if (event.shiftKey) {
            return this.go(this.at + way * 100);
        }
        const times = this.data.moments;
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
        if (
            mayScroll &&
            this.scroll.scrollWidth > this.scroll.clientWidth &&
            (x < this.scroll.scrollLeft + 20 || x > this.scroll.scrollLeft + this.scroll.clientWidth - 20)
        ) {
            this.scroll.scrollLeft = x - this.scroll.clientWidth / 2;
        }
        this.say(this.moment());
    }

    moment() {
        return last(this.data.moments, (ms) => ms <= this.at);
    }

    // What a lane says at the cursor.
    lane(steps) {
        return steps[last(steps, ([fromMs]) => fromMs <= this.at)]?.[1] ?? '';
    }

    volts(corners) {
        const place = last(corners, ([ms]) => ms <= this.at);
        const [from, v] = corners[Math.max(0, place)],
            [to, w] = corners[place + 1] ?? [from, v];
        return to > from ? v + ((w - v) * (this.at - from)) / (to - from) : v;
    }

    // The one-line beside the strip: which side is closed, and what has voltage; the style sheet does the rest.
    drawLine() {
        if (!this.line) {
            return;
        }
        const { lanes, volts, loads } = this.data;
        const data = this.line.dataset;
        data.position = this.lane(lanes.position);
        data.bus = this.lane(lanes.bus);
        data.n = this.lane(lanes.nLive);
        data.e = this.lane(lanes.eLive);
        for (const side of ['n', 'e']) {
            this.line.querySelector(`[data-volts="${side}"]`).textContent = `${this.volts(volts[side]).toFixed(0)} V`;
        }
        this.line.querySelector('.bus-word').textContent = data.bus === 'dark' ? 'dark' : 'live';
        this.line.querySelectorAll('.load').forEach((load, i) => {
            const isShed = this.lane(loads[i]) === 'shed';
            load.classList.toggle('is-shed', isShed);
            load.querySelector('.load-word').textContent = isShed ? 'shed' : '';
        });
    }

    timer() {
        return this.data.timers.find(([from, to]) => from <= this.at && this.at < to);
    }

    say(place) {
        const now = this.items[place];
        if (this.marked !== now) {
            this.marked?.classList.remove('now');
            now?.classList.add('now');
            this.marked = now;
            const list = now?.parentElement;
            if (now && list.scrollHeight > list.clientHeight) {
                // the list follows the cursor, the page stays
                list.scrollTop = now.offsetTop - list.offsetTop - 4;
            }
        }
        const put = (name, words) => {
            const cell = document.querySelector(`#cursor-values [data-at="${name}"]`);
            if (cell) {
                cell.textContent = words;
            }
        };
        const flag = document.querySelector('#cursor-clock');
        if (flag) {
            flag.textContent = clock(this.at);
        }
        const cursorAt = document.querySelector('#cursor-at');
        if (cursorAt) {
            cursorAt.value = (this.at / 1000).toFixed(1);
        }
        put('n', this.lane(this.data.lanes.n));
        put('engine', this.lane(this.data.lanes.engine) || 'none');
        const [from, , name, duration] = this.timer() ?? [];
        put('timer', name ? `${name} ${((this.at - from) / 1000).toFixed(1)} of ${(duration / 1000).toFixed(1)}\u202Fs` : 'none');
        this.drawLine();
        this.slider.setAttribute('aria-valuenow', this.at);
        this.slider.setAttribute(
            'aria-valuetext',
            `at ${clock(this.at)}: ${this.items[place]?.querySelector('b')?.textContent ?? 'nothing has happened yet'}`,
        );
    }
}

export function attachStrips() {
    document.querySelectorAll('[data-png][hidden]').forEach((button) => {
        button.hidden = false;
        button.addEventListener('click', async () =>
            savePicture(await fetch(button.dataset.png, { method: 'POST', body: new FormData(button.closest('form')) })),
        );
    });
    document.querySelectorAll('.strip[data-cursor]:not([data-attached])').forEach((strip) => {
        strip.dataset.attached = 'yes';
        new StripCursor(strip);
    });
}

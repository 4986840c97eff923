// The stopwatch gauge: an arc of teeth, the window outside them, a short needle. Drawn once a scale, then only moved.

const NS = 'http://www.w3.org/2000/svg';
const CX = 179,
    CY = 168,
    INNER = 114,
    OUTER = 138,
    BAND = 156;
const SPAN = (Math.PI * 172) / 180;
const NARROW = 0.035; // of the scale: closer than that two figures would touch
const SCALES = [
    [20, 1],
    [30, 1],
    [60, 2],
    [120, 5],
    [300, 10],
    [600, 20],
    [1200, 60],
    [2400, 120],
    [4800, 240],
];

const at = (radius, part) => {
    const angle = Math.PI + (Math.PI - SPAN) / 2 + SPAN * part;
    return [CX + radius * Math.cos(angle), CY + radius * Math.sin(angle)].map((value) => value.toFixed(1)).join(' ');
};
const make = (name, attributes, text) => {
    const element = document.createElementNS(NS, name);
    Object.entries(attributes).forEach(([key, value]) => element.setAttribute(key, value));
    if (text !== undefined) {
        element.textContent = text;
    }
    return element;
};

const clock = (seconds) =>
    seconds < 100 ? seconds.toFixed(1) : `${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(1).padStart(4, '0')}`;

export class Gauge {
    constructor(room) {
        this.room = room;
        this.key = '';
    }

    /**
     * @param {number} seconds since the mark that the window counts from
     * @param {null|{min: number, max: number}} window in seconds
     * @param {string} words below the figure
     */
    show(seconds, window, reaction, words) {
        // late: the needle rests at the end, the words say by how much
        const latest = window ? Math.max(10, window.max * 1.15) : Math.max(10, seconds);
        const [scale, step] = SCALES.find(([length]) => length > latest) ?? [seconds * 1.5, seconds / 20];
        const key = [scale, window?.min, window?.max, words].join();
        if (key !== this.key) {
            this.draw(scale, step, window, reaction, words);
            this.key = key;
        }
        this.teeth.forEach(({ fill, clip, from, to }) => {
            const part = Math.max(0, Math.min(1, (seconds - from) / (to - from)));
            if (fill.dataset.part !== String(part)) {
                fill.dataset.part = String(part);
                fill.setAttribute('visibility', part > 0 ? 'visible' : 'hidden');
                clip.setAttribute(
                    'd',
                    `M${CX} ${CY}L${at(OUTER + 20, from / scale)}L${at(OUTER + 20, (from + (to - from) * part) / scale)}Z`,
                );
            }
        });
        const part = Math.min(1, seconds / scale);
        const [x1, y1] = at(INNER - 8, part).split(' '),
            [x2, y2] = at(OUTER + 6, part).split(' ');
        Object.entries({ x1, y1, x2, y2 }).forEach(([name, value]) => this.needle.setAttribute(name, value));
        this.figure.setAttribute('font-size', seconds < 100 ? 58 : 40);
        this.words.textContent =
            window && seconds > window.max ? `${clock(seconds - window.max)}${seconds - window.max < 100 ? ' s' : ''} late so far` : words;
        this.figure.textContent = clock(seconds);
    }

    draw(scale, step, window, reaction, words) {
        const svg = make('svg', { viewBox: '-30 -14 418 212', role: 'img', 'aria-label': words });
        const defs = make('defs', {});
        svg.append(defs);
        if (window) {
            const band = (from, to, attributes) =>
                svg.append(
                    make('path', {
                        d:
                            `M${at(OUTER, from / scale)}A${OUTER} ${OUTER} 0 0 1 ${at(OUTER, to / scale)}` +
                            `L${at(BAND, to / scale)}A${BAND} ${BAND} 0 0 0 ${at(BAND, from / scale)}Z`,
                        stroke: 'var(--esc-ink)',
                        ...attributes,
                    }),
                );
            band(Math.max(0, window.min - reaction), Math.min(scale, window.max + reaction), {
                fill: 'var(--esc-sheet)',
                'stroke-dasharray': '3 3',
            });
            band(window.min, Math.min(scale, window.max), { fill: 'var(--esc-steel-tint)', 'stroke-width': 1.6 });
            const isNarrow = (window.max - window.min) / scale < NARROW;
            [window.min, window.max].forEach((value, i) => {
                if (i === 0 && (value === 0 || isNarrow)) {
                    return;
                } // the scale says 0 itself; two figures on one spot are none
                const [x, y] = at(BAND + 14, Math.min(1, value / scale))
                    .split(' ')
                    .map(Number);
                const said = isNarrow && window.min > 0 ? `${window.min.toFixed(1)}–${value.toFixed(1)}` : value.toFixed(1);
                svg.append(
                    make(
                        'text',
                        {
                            x: Math.max(6, Math.min(352, x)),
                            y: y + (i ? 8 : 0),
                            'text-anchor': x < CX ? 'end' : 'start',
                            class: 'fig',
                            'font-size': 17,
                            'font-weight': 700,
                            fill: 'var(--esc-ink)',
                        },
                        said,
                    ),
                );
            });
        }
        this.teeth = [];
        for (let from = 0; from < scale - 0.01; from += step) {
            const to = from + step,
                a = from / scale,
                b = to / scale;
            const d =
                `M${at(INNER, a)}L${at(OUTER, a + (b - a) * 0.62)}L${at(OUTER, a + (b - a) * 0.74)}` +
                `L${at(INNER, b - (b - a) * 0.08)}A${INNER} ${INNER} 0 0 0 ${at(INNER, a)}Z`;
            const isInside = window && to > window.min && from < window.max;
            svg.append(
                make('path', {
                    d,
                    fill: isInside ? 'var(--esc-steel-tint)' : 'var(--esc-sheet)',
                    stroke: 'var(--esc-ink)',
                    'stroke-width': 1.2,
                }),
            );
            const clipPath = make('clipPath', { id: `gauge-tooth-${this.teeth.length}` }),
                clip = make('path', {});
            clipPath.append(clip);
            defs.append(clipPath);
            const fill = make('path', {
                d,
                fill: 'var(--esc-ink)',
                'clip-path': `url(#gauge-tooth-${this.teeth.length})`,
                visibility: 'hidden',
            });
            svg.append(fill);
            this.teeth.push({ fill, clip, from, to });
        }
        [0, scale].forEach((value, i) => {
            const [x] = at(INNER - 14, i).split(' ');
            svg.append(
                make(
                    'text',
                    { x, y: CY + 8, 'text-anchor': 'middle', class: 'fig', 'font-size': 17, fill: 'var(--esc-ink)' },
                    String(value),
                ),
            );
        });
        this.needle = make('line', { stroke: 'var(--esc-steel)', 'stroke-width': 5, 'stroke-linecap': 'round' });
        this.figure = make('text', {
            x: CX,
            y: CY - 18,
            'text-anchor': 'middle',
            class: 'fig',
            'font-size': 58,
            'font-weight': 700,
            fill: 'var(--esc-ink)',
        });
        this.words = make('text', { x: CX, y: CY + 10, 'text-anchor': 'middle', 'font-size': 17, fill: 'var(--esc-ink-2)' }, words);
        svg.append(this.needle, this.figure, this.words);
        this.room.replaceChildren(svg);
    }
}

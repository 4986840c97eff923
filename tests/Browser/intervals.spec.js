import { readFileSync } from 'node:fs';
import { intervalOf, methodOf, runsOf } from '../../resources/js/intervals.js';
import { expect, test } from '@playwright/test';

// The cases that the core's verdict answers too: what the phone shows beside a mark is what the report will say.
const data = (name) => JSON.parse(readFileSync(new URL(`../../core/tests/data/${name}.json`, import.meta.url), 'utf8'));
const order = ['start_signal', 'engine_running', 'transfer', 'return', 'engine_stop'];

test('the phone measures from the mark that counts, as the verdict does', () => {
    const methods = data('methods');
    for (const { name, kind, marks, runs } of data('marks')) {
        const shown = runsOf(marks, methods[kind]).map((run) => {
            const method = methodOf(run, methods[kind]);
            const intervals = method.steps
                .filter((step) => step.interval !== null)
                .map((step) => intervalOf(run, step))
                .map(({ event, from, measured, window }) => ({ event, from, measured_ms: measured, window }))
                .sort((a, b) => order.indexOf(a.event) - order.indexOf(b.event));
            return { by: method.id, intervals };
        });
        expect.soft(shown, name).toEqual(runs);
    }
});

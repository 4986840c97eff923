import { readFileSync } from 'node:fs';
import { closes, faultOf } from '../../resources/js/answer-check.js';
import { expect, test } from '@playwright/test';

// The cases that the core's judge answers too: what a phone takes without a network, the server takes later.
const cases = JSON.parse(readFileSync(new URL('../../core/tests/data/answers.json', import.meta.url), 'utf8'));
const text = (value) => (value === null ? '' : String(value));

test('the phone takes what the judge takes, and goes on where the judge lets it', () => {
    for (const { name, step, answer, taken, closes: isClosed } of cases) {
        const dataset = {
            kind: step.kind,
            hold: step.hold ? '1' : '0',
            min: text(step.min),
            max: text(step.max),
            stopOver: text(step.stop_over),
            stopUnder: text(step.stop_under),
            asks: text(step.asks),
            tick: text(step.tick),
            stopped: step.stopped ? '1' : '0',
            wanted: step.choices[0] ?? '',
            couldMin: step.could_max === null ? '' : '0',
            couldMax: text(step.could_max),
            could: `0 to ${step.could_max} V`,
        };
        const given = { note: null, photos: [], ...answer };
        expect.soft(faultOf(dataset, given) === '', name).toBe(taken);
        if (taken) {
            expect.soft(closes(dataset, given), name).toBe(isClosed);
        }
    }
});

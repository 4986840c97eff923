// How long 5 000 queued marks, and 1 000 answers, take to reach the server. Run: bin/start, then node bench/sync.mjs
import { randomUUID } from 'node:crypto';
import { call, form, signIn, token } from './lib/session.mjs';

await signIn();
const csrf = await token('/switches/1/commission');
const begun = await call('/switches/1/commission', form({ _token: csrf, hazards_read: '1' }));
const run = new URL(begun.headers.get('location')).pathname;
const send = async (path, body) => {
    const answer = await call(`${run}/${path}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', accept: 'application/json', 'x-csrf-token': csrf },
        body: JSON.stringify(body),
    });
    if (!answer.ok) {
        throw new Error(`${path}: ${answer.status}`);
    }
    return answer.json();
};
const events = [
    'utility_off',
    'start_signal',
    'engine_running',
    'transferred',
    'bait_on',
    'bait_off',
    'utility_on',
    'retransferred',
    'engine_stopped',
];
const marks = Array.from({ length: 5000 }, (_, i) => ({
    id: randomUUID(),
    event: events[i % events.length],
    at_ms: i * 1000,
    client_wall: new Date(Date.now() + i * 1000).toISOString(),
}));
let kept = 0;
const from = performance.now();
for (let i = 0; i < marks.length; i += 1000) {
    kept += (await send('marks', { marks: marks.slice(i, i + 1000) })).kept.length;
}
console.log(`${kept} of ${marks.length} marks kept in ${((performance.now() - from) / 1000).toFixed(1)} s (aim: under 10 s)`);
const answers = Array.from({ length: 1000 }, () => ({ id: randomUUID(), step: 'isolate/briefing', so: true }));
const begin = performance.now();
kept = (await send('answers', { answers })).kept.length;
console.log(`${kept} of ${answers.length} answers kept in ${((performance.now() - begin) / 1000).toFixed(1)} s`);

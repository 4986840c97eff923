// The page of a load test with 5 000 readings, against the account page. Run after bin/start: node bench/load-page.mjs [readings]
import { call, form, signIn, timed, token } from './lib/session.mjs';

const count = Number(process.argv[2] ?? 5000);
await signIn();
const csrf = await token('/switches/6/load-tests');
const planned = await call('/switches/6/load-tests', form({ _token: csrf, profile: 'custom', steps: '50 × 240' }));
const page = new URL(planned.headers.get('location')).pathname;
const begun = Date.now() - (count * 2 + 600) * 1000;
const lines = ['utc,V1,V2,V3,A1,A2,A3,Hz,Oil,Coolant'];
for (let i = 0; i < count; i++) {
    const at = new Date(begun + i * 2000).toISOString().slice(0, 19).replace('T', ' ');
    lines.push(`${at},${230 + (i % 3)},230,229,${100 + (i % 7)},100,99,50,400,80`);
}
const body = new FormData();
for (const [name, value] of Object.entries({ _token: csrf, every_s: 2, zone: 'UTC', 't[time]': 0, 't[form]': 'date', 't[hz]': 7 })) {
    body.set(name, String(value));
}
for (let leg = 0; leg < 3; leg++) {
    body.append('t[v][]', String(1 + leg));
    body.append('t[a][]', String(4 + leg));
}
body.set('table', new Blob([lines.join('\n')], { type: 'text/csv' }), 'recorder.csv');
let from = performance.now();
const taken = await call(`${page}/table`, { method: 'POST', body });
console.log(`${count} readings imported in ${((performance.now() - from) / 1000).toFixed(1)} s (${taken.status})`);
from = performance.now();
const words = await (await call(page)).text();
const isWhole = words.includes(`page 1 of ${Math.ceil(count / 15)}`);
console.log(`read and judged on the first view: ${(performance.now() - from).toFixed(0)} ms, ${isWhole}`);
for (const path of ['/account', page, `${page}/read`]) {
    const { status, median } = await timed(path);
    console.log(`${path.padEnd(22)} ${status}  median ${median.toFixed(0)} ms`);
}

// Server time of the main views on the demo data (median of 15), and the weight of a page. Run after bin/start: node bench/pages.mjs
import { brotliCompressSync } from 'node:zlib';
import { readdirSync, readFileSync } from 'node:fs';

const base = process.env.ESCAPEMENT_URL ?? 'http://127.0.0.1:8080';
const cookies = {};
const call = async (path, options = {}) => {
    const answer = await fetch(base + path, {
        redirect: 'manual',
        ...options,
        headers: {
            cookie: Object.entries(cookies)
                .map(([k, v]) => `${k}=${v}`)
                .join('; '),
            ...options.headers,
        },
    });
    for (const cookie of answer.headers.getSetCookie()) {
        const [pair] = cookie.split(';');
        cookies[pair.slice(0, pair.indexOf('='))] = pair.slice(pair.indexOf('=') + 1);
    }
    return { status: answer.status, body: Buffer.from(await answer.arrayBuffer()) };
};
const token = (await call('/login')).body.toString().match(/name="_token" value="([^"]+)"/)[1];
await call('/login', {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
    body: new URLSearchParams({ _token: token, email: 'rosa@lantern.example', password: 'lantern-demo' }),
});
for (const [name, path] of Object.entries({
    account: '/account',
    board: '/',
    survey: '/sites/1',
    settings: '/switches/1/settings',
    rehearsal: '/switches/3/rehearsal',
    runs: '/switches/1/commission',
    stopwatch: '/runs/1',
    procedure: '/runs/1/procedure',
    sheet: '/runs/1/sheet',
    report: '/runs/1/report',
    pdf: '/runs/1/report.pdf',
})) {
    const times = [];
    let status;
    for (let i = 0; i < 15; i++) {
        const from = performance.now();
        ({ status } = await call(path));
        times.push(performance.now() - from);
    }
    times.sort((a, b) => a - b);
    console.log(`${name.padEnd(10)} ${status}  median ${times[7].toFixed(0)} ms  slowest ${times[14].toFixed(0)} ms`);
}
const folder = new URL('../public/build/assets/', import.meta.url);
const weight = readdirSync(folder).reduce(
    (sum, file) =>
        sum +
        (file.endsWith('woff2')
            ? readFileSync(new URL(file, folder)).length
            : brotliCompressSync(readFileSync(new URL(file, folder))).length),
    0,
);
console.log(`styles, scripts and fonts of a page, compressed: ${(weight / 1000).toFixed(0)} kB`);

// Server time of the main views on the demo data (median of 15), and the weight of a page. Run after bin/start: node bench/pages.mjs
import { brotliCompressSync } from 'node:zlib';
import { readdirSync, readFileSync } from 'node:fs';
import { signIn, timed } from './lib/session.mjs';

await signIn();
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
    const { status, median, slowest } = await timed(path);
    console.log(`${name.padEnd(10)} ${status}  median ${median.toFixed(0)} ms  slowest ${slowest.toFixed(0)} ms`);
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

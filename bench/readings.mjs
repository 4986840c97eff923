// A load test of a day without a network: 300 readings and 60 pictures of the meter on one phone; then a connection that drops every
// five seconds until all has arrived. It is checked that each is there once and that the record verifies.
// Run after bin/start: node bench/readings.mjs [readings] [pictures]
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { phone, picture } from './lib/phone.mjs';

const base = process.env.ESCAPEMENT_URL ?? 'http://127.0.0.1:8080';
const readings = Number(process.argv[2] ?? 300);
const pictures = Number(process.argv[3] ?? 60);
const root = new URL('..', import.meta.url).pathname;
const { browser, context, page } = await phone(base);
await page.goto('/switches/6/load-tests');
await page.getByLabel('What is to be proved').selectOption('custom');
await page.getByLabel('Steps of your own').fill('50 × 240');
await page.getByRole('button', { name: 'Plan the test' }).click();
await page.waitForURL(/\/load-tests\/\d+$/);
const test = new URL(page.url()).pathname;
await page.clock.install({ time: Date.now() - (readings + 5) * 60_000 });
await page.goto(`${test}/read`);
await page.evaluate(() => navigator.serviceWorker.ready);

const jpeg = await picture(page, 1600, 1200);
const inputs = await page.locator('.reading input[name]').evaluateAll((all) => all.map(({ name }) => name));
await context.setOffline(true);
const begun = Date.now();
for (let i = 0; i < readings; i++) {
    if (i < pictures) {
        await page.locator('.reading-camera input').setInputFiles({ name: 'meter.jpg', mimeType: 'image/jpeg', buffer: jpeg });
        await page.getByText('Picture taken').waitFor();
    }
    await page.evaluate((names) => {
        const value = { hz: '50.0', oil: '400', coolant: '80', battery_v: '27.2', exhaust: '', kw: '' };
        for (const name of names) {
            document.querySelector(`.reading input[name="${name}"]`).value = value[name] ?? (name.startsWith('v') ? '230' : '100');
        }
    }, inputs);
    await page.getByRole('button', { name: `Save reading ${i + 1}`, exact: true }).click();
    await page.clock.fastForward(60_000);
}
console.log(`${readings} readings and ${pictures} pictures kept without a network in ${((Date.now() - begun) / 1000).toFixed(0)} s`);

const from = Date.now();
let isOn = false;
while (Date.now() - from < 600_000) {
    isOn = !isOn;
    await context.setOffline(!isOn);
    const until = Date.now() + 5000;
    while (Date.now() < until) {
        await page.clock.fastForward(4000);
        await page.waitForTimeout(200);
        if (await page.getByText('All sent.').isVisible()) {
            break;
        }
    }
    if (await page.getByText('All sent.').isVisible()) {
        break;
    }
}
await context.setOffline(false);
const sent = (Date.now() - from) / 1000;
const report = await (await page.request.get(`${test}/report.json`)).text();
const { readings: there, photos } = JSON.parse(report);
const file = join(mkdtempSync(join(tmpdir(), 'readings-')), 'test.json');
writeFileSync(file, report);
const verified = JSON.parse(execFileSync(join(root, 'bin/escapement'), ['verify-record', file]).toString());
console.log(`all sent after ${sent.toFixed(0)} s; there: ${there.length} readings, ${photos.length} pictures; record`, verified.verified);
const ids = new Set(there.map(({ id }) => id));
if (there.length !== readings || ids.size !== readings || photos.length !== pictures) {
    console.error('Something is missing or there twice.');
    process.exitCode = 1;
}
await browser.close();

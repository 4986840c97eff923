// A day without a network: a procedure with the installation worked through on one page, with forty pictures; then a connection
// that drops every few seconds until all has arrived. Run after bin/start: node bench/day.mjs [pictures]
import { execFileSync } from 'node:child_process';
import { phone, picture } from './lib/phone.mjs';

const base = process.env.ESCAPEMENT_URL ?? 'http://127.0.0.1:8080';
const pictures = Number(process.argv[2] ?? 40);
const root = new URL('..', import.meta.url).pathname;
const { browser, context, page } = await phone(base);
await page.goto('/switches/1/commission');
await page.locator('summary', { hasText: 'What it proves' }).click();
await page.getByLabel(/The installation too/).check();
await page.getByRole('button', { name: /begin a run/ }).click();
await page.waitForURL('**/runs/*');
const run = new URL(page.url()).pathname;
await page.goto(`${run}/procedure`);
await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
});
await page.reload();
await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
await page.reload();

const jpeg = await picture(page, 4000, 3000);
await context.setOffline(true);
const now = page.locator('.now:not([hidden])');
let taken = 0,
    answered = 0;
while ((await now.count()) > 0) {
    const [step, kind] = [await now.getAttribute('data-step'), await now.getAttribute('data-kind')];
    if (taken < pictures) {
        await now.locator('input[type=file]').setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: jpeg });
        await now.locator('[data-picture]').first().waitFor();
        taken += 1;
    }
    await now.getByLabel(/^Note/).fill('As seen.');
    if (kind === 'measure') {
        await now.locator('[name=value]').fill((await now.getAttribute('data-min')) || (await now.getAttribute('data-max')) || '1');
    }
    if ((await now.locator('input[type=checkbox][name=so]').count()) > 0) {
        await now.locator('input[type=checkbox][name=so]').check();
    }
    if (kind === 'choose') {
        await now.locator('.now-choice label').first().click();
    }
    if (kind === 'sign') {
        await now.getByLabel('Name').fill('Ana Quist');
    }
    await now.locator('button[type=submit]').first().click();
    answered += 1;
    await page.waitForFunction((was) => document.querySelector('.now:not([hidden])')?.dataset.step !== was, step);
}
const from = performance.now();
let isUp = false,
    drops = 0;
const flapping = setInterval(() => {
    isUp = !isUp;
    drops += isUp ? 0 : 1;
    context.setOffline(!isUp).catch(() => {});
}, 2500);
await page.getByText('All sent.').waitFor({ timeout: 580_000 });
clearInterval(flapping);
await context.setOffline(false);
const seconds = (performance.now() - from) / 1000;
const file = await page.evaluate((path) => fetch(path).then((answer) => answer.text()), `${run}/report.json`);
execFileSync(`${root}bin/escapement`, ['verify-record', '-'], { input: file });
const entries = JSON.parse(file).record.entries;
const count = (kind) => new Set(entries.filter((entry) => entry.kind === kind).map(({ what }) => what.id)).size;
console.log(
    `${answered} answers and ${taken} pictures of ${(jpeg.length / 1e6).toFixed(1)} MB without a network; ` +
        `over a connection that dropped ${drops} times all in the record after ${seconds.toFixed(0)} s: ` +
        `${count('answer')} answers, ${count('photo')} pictures; the record verifies`,
);
await browser.close();
process.exit(count('answer') === answered && count('photo') === taken ? 0 : 1);

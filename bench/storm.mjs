// A day on site that goes wrong: web server, queue, database and browser are killed hard, in turn and at random moments, and the clock of
// the phone jumps by an hour, while a person
// answers steps, takes pictures, presses the stopwatch and, in turn with that, marks and reads a load test. Then it is checked that
// all that the page took is in the record once,
// and that both records verify. Run after bin/start: node bench/storm.mjs [kills]
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';

const base = process.env.ESCAPEMENT_URL ?? 'http://127.0.0.1:8080';
const runFiles = `${process.env.TMPDIR ?? tmpdir()}/escapement-${process.getuid()}`;
const dbPort = process.env.ESCAPEMENT_DB_PORT ?? '3317';
const kills = Number(process.argv[2] ?? 20);
const root = new URL('..', import.meta.url).pathname;
const profile = mkdtempSync(join(tmpdir(), 'storm-'));
const sleep = (ms) =>
    new Promise((resolve) => {
        setTimeout(resolve, ms);
    });
const pid = (file) => Number(readFileSync(`${runFiles}-${file}`, 'utf8'));
const killHard = (id) => {
    try {
        process.kill(id, 'SIGKILL');
    } catch {
        /* it was gone already */
    }
};
const childrenOf = (id) => {
    try {
        return readFileSync(`/proc/${id}/task/${id}/children`, 'utf8').trim().split(' ').filter(Boolean).map(Number);
    } catch {
        return [];
    }
};

const refusedAnswers = new Set();
let chrome, browser, page;
async function openBrowser() {
    chrome = spawn(
        process.env.CHROMIUM ?? 'chromium',
        [
            '--headless=new',
            '--no-sandbox',
            '--disable-quic',
            '--no-first-run',
            '--disable-background-networking',
            '--remote-debugging-port=9333',
            `--user-data-dir=${profile}`,
            'about:blank',
        ],
        { stdio: 'ignore', detached: true },
    );
    for (let i = 0; ; i++) {
        try {
            browser = await chromium.connectOverCDP('http://127.0.0.1:9333');
            break;
        } catch (e) {
            if (i > 60) {
                throw e;
            }
            await sleep(250);
        }
    }
    [page] = browser.contexts()[0].pages();
    page.setDefaultTimeout(15_000);
    await page.addInitScript(jumpingClock);
    page.on('response', async (answer) => {
        if (/\/runs\/\d+\/answers$/.test(answer.url()) && answer.ok()) {
            const told = await answer.json().catch(() => ({}));
            told.refused?.forEach(({ id }) => refusedAnswers.add(id)); // it stands at its step again, with the reason
        }
    });
}
/** The clock of the phone, from the next page on. */
const setClock = (ms) => page.evaluate((off) => sessionStorage.setItem('off', String(off)), ms);
const jumpingClock = () => {
    const off = Number(sessionStorage.getItem('off') ?? 0);
    const { now } = Date;
    const origin = performance.timeOrigin;
    Date.now = () => now() + off;
    Object.defineProperty(performance, 'timeOrigin', { get: () => origin + off });
};
async function go(path) {
    await page.goto(base + path);
    if (new URL(page.url()).pathname === '/login') {
        // the session cookie was not on the disk yet when the browser died
        await page.getByLabel('Address').fill('rosa@lantern.example');
        await page.getByLabel('Password').fill('lantern-demo');
        await page.getByRole('button', { name: 'Sign in' }).click();
        await page.waitForURL((url) => url.pathname !== '/login');
        await page.goto(base + path);
    }
}
const killers = {
    web: () => {
        for (const file of ['fpm.pid', 'nginx.pid'].map((name) => `web-${new URL(base).port}/${name}`)) {
            const id = pid(file);
            for (const one of [id, ...childrenOf(id)]) {
                killHard(one);
            }
        }
    },
    queue: () => {
        const id = pid(`web-${new URL(base).port}/worker.pid`);
        for (const one of childrenOf(id).flatMap((child) => [child, ...childrenOf(child)])) {
            killHard(one);
        }
    },
    database: () => killHard(pid(`${dbPort}/db.pid`)),
    browser: () => {
        try {
            process.kill(-chrome.pid, 'SIGKILL');
        } catch {
            /* gone */
        }
    },
};

await openBrowser();
await go('/switches/6/load-tests');
await page.getByLabel('What is to be proved').selectOption('semi_annual');
await page.getByRole('button', { name: 'Plan the test' }).click();
await page.waitForURL(/\/load-tests\/\d+$/);
const test = new URL(page.url()).pathname;
await go('/switches/1/commission');
await page.getByRole('button', { name: /begin a run/ }).click();
await page.waitForURL('**/runs/*');
const run = new URL(page.url()).pathname;
const runId = Number(run.split('/')[2]);
await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
});
await go(`${run}/procedure`);
await page.reload();

const inStore = (name) =>
    page.evaluate(
        ([store, id]) =>
            new Promise((resolve, reject) => {
                const request = indexedDB.open('escapement');
                request.onsuccess = () => {
                    const all = request.result.transaction(store).objectStore(store).index('run').getAll(id);
                    all.onsuccess = () => {
                        request.result.close();
                        resolve(all.result.map(({ id: one }) => one));
                    };
                    all.onerror = () => reject(all.error);
                };
            }),
        [name, runId],
    );

/** What the page has shown as taken: a person goes on when the next step stands there, or the picture, or the mark. */
const accepted = { answers: 0, photos: 0, marks: 0, readings: 0, thumbs: 0 };
const jpeg = Buffer.from(
    await page.evaluate(
        () =>
            new Promise((resolve) => {
                const canvas = Object.assign(document.createElement('canvas'), { width: 1600, height: 1200 });
                const pen = canvas.getContext('2d');
                for (let i = 0; i < 300; i++) {
                    pen.fillStyle = `hsl(${i * 37} 60% ${i % 90}%)`;
                    pen.fillRect((i * 53) % 1600, (i * 97) % 1200, 90, 70);
                }
                canvas.toBlob(async (blob) => resolve([...new Uint8Array(await blob.arrayBuffer())]), 'image/jpeg');
            }),
    ),
);
async function act() {
    await go(`${run}/procedure`);
    const now = page.locator('.now:not([hidden])');
    if ((await now.count()) > 0) {
        const step = await now.getAttribute('data-step');
        const pictures = await now.locator('[data-picture]').count();
        await now.locator('input[type=file]').setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: jpeg });
        await page.waitForFunction((many) => document.querySelectorAll('.now:not([hidden]) [data-picture]').length > many, pictures);
        accepted.photos += 1;
        const kind = await now.getAttribute('data-kind');
        if (kind === 'measure') {
            await now.locator('[name=value]').fill((await now.getAttribute('data-min')) || '1');
        }
        if (kind === 'choose') {
            await now.locator('.now-choice label').first().click();
        }
        if (kind === 'sign') {
            await now.getByLabel('Name').fill('Ana Quist');
        }
        if (kind === 'time') {
            await now.getByLabel(/^Note/).fill('By ear.');
        }
        await now.locator('button[type=submit]').first().click();
        await page.waitForFunction((was) => document.querySelector('.now:not([hidden])')?.dataset.step !== was, step);
        accepted.answers += 1;
    }
    await go(run);
    const lines = await page.locator('.marks li').count();
    await page.locator('.mark-button').click();
    await page.waitForFunction((many) => document.querySelectorAll('.marks li').length > many, lines);
    accepted.marks += 1;
}

/** A press of the thumb and a reading of a load test. */
async function read() {
    await go(`${test}/read`);
    const thumb = page.locator('.reading-thumbs .btn').first();
    const words = page.locator('.reading-marks p').first();
    const before = await words.textContent();
    await thumb.click();
    await page.waitForFunction((was) => document.querySelector('.reading-marks p').textContent !== was, before);
    accepted.thumbs += 1;
    for (const input of await page.locator('.reading input[name]').all()) {
        const name = await input.getAttribute('name');
        await input.fill({ hz: '50', v: '230', a: '100' }[name.split('.')[0]] ?? '');
    }
    const save = page.locator('.reading-save');
    const saved = await save.textContent();
    await save.click();
    await page.waitForFunction((was) => document.querySelector('.reading-save').textContent !== was, saved);
    accepted.readings += 1;
}

const ended = { web: 0, queue: 0, database: 0, browser: 0 };
const HOUR_MS = 3_600_000;
for (let i = 0; i < kills; i++) {
    const victim = Object.keys(killers)[i % 4];
    // a phone whose clock jumps: a reading an hour ahead is refused until the clock is set, as it should be
    const jumps = i % 2 === 0 ? [-HOUR_MS, 0, HOUR_MS] : [-HOUR_MS, 0];
    await setClock(jumps[Math.floor(Math.random() * jumps.length)]).catch(() => {});
    const timer = setTimeout(() => {
        killers[victim]();
        ended[victim] += 1;
    }, Math.random() * 2500);
    await (i % 2 === 0 ? act : read)().catch(() => {}); // cut off in the middle
    await sleep(300);
    if (victim === 'browser') {
        while (chrome.exitCode === null && chrome.signalCode === null) {
            await sleep(100);
        }
        await browser.close().catch(() => {});
        await openBrowser();
    }
    clearTimeout(timer);
    await sleep(victim === 'browser' ? 200 : 2500);
    execFileSync(`${root}bin/start`, { stdio: 'ignore' });
    process.stdout.write(`${victim[0]}`);
}
const leftIn = async (path, store, isUnsent) => {
    await go(path);
    for (let i = 0; i < 120; i++) {
        const left = store === 'marks' ? await page.evaluate(isUnsent, runId) : (await inStore(store)).length;
        if (left === 0) {
            return 0;
        }
        await sleep(500);
    }
    return -1;
};
const unsentMarks = (id) =>
    new Promise((resolve) => {
        const request = indexedDB.open('escapement');
        request.onsuccess = () => {
            const all = request.result.transaction('marks').objectStore('marks').index('run').getAll(id);
            all.onsuccess = () => {
                request.result.close();
                resolve(all.result.filter(({ sent }) => !sent).length);
            };
        };
    });
await go('/');
await setClock(0);
const unsent = [
    await leftIn(`${run}/procedure`, 'answers'),
    await leftIn(`${run}/procedure`, 'photos'),
    await leftIn(run, 'marks', unsentMarks),
];
await go(`${test}/read`);
await page
    .getByText('All sent.')
    .waitFor({ timeout: 60_000 })
    .catch(() => unsent.push(-1));
const ofTest = await page.evaluate((path) => fetch(path).then((answer) => answer.text()), `${test}/report.json`);
execFileSync(`${root}bin/escapement`, ['verify-record', '-'], { input: ofTest });
const { readings, marks: thumbs } = JSON.parse(ofTest);
const file = await page.evaluate((path) => fetch(path).then((answer) => answer.text()), `${run}/report.json`);
execFileSync(`${root}bin/escapement`, ['verify-record', '-'], { input: file });
const entries = JSON.parse(file).record.entries;
const ids = (kind) => entries.filter((entry) => entry.kind === kind).map(({ what }) => what.id);
const answers = ids('answer'),
    photos = ids('photo'),
    marks = ids('mark');
const idsOf = (list) => list.map(({ id }) => id);
const doubled = [answers, photos, marks, idsOf(readings), idsOf(thumbs)].reduce((sum, list) => sum + list.length - new Set(list).size, 0);
const lost =
    Math.max(0, accepted.answers - answers.length - refusedAnswers.size) +
    Math.max(0, accepted.photos - photos.length) +
    Math.max(0, accepted.marks - marks.length) +
    Math.max(0, accepted.readings - readings.length) +
    Math.max(0, accepted.thumbs - thumbs.length);
const notEmptied = unsent.filter((n) => n !== 0).length;
console.log(
    [
        '',
        `${kills} hard kills: ${ended.web} web, ${ended.queue} queue, ${ended.database} database, ${ended.browser} browser; ` +
            `${lost} lost, ${doubled} doubled`,
        `taken ${accepted.answers} answers (${refusedAnswers.size} refused with their reason), ` +
            `${accepted.photos} pictures, ${accepted.marks} marks`,
        `in the record ${answers.length}, ${photos.length}, ${marks.length}; the record verifies; ${notEmptied} stores not emptied`,
        `of the load test taken ${accepted.readings} readings, ${accepted.thumbs} marks`,
        `in its record ${readings.length}, ${thumbs.length}; it verifies`,
    ].join('\n'),
);
await browser.close().catch(() => {});
killers.browser();
rmSync(profile, { recursive: true, force: true });
process.exit(lost === 0 && doubled === 0 && unsent.every((n) => n === 0) ? 0 : 1);

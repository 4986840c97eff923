// Kills the database hard in the middle of a run, again and again, and checks that every mark that was answered is there
// once and that the record verifies. Run after bin/start: node bench/crash.mjs [rounds]
import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { readFileSync } from 'node:fs';

const base = process.env.ESCAPEMENT_URL ?? 'http://127.0.0.1:8080';
const dbPort = process.env.ESCAPEMENT_DB_PORT ?? '3317';
const rounds = Number(process.argv[2] ?? 5);
const root = new URL('..', import.meta.url).pathname;
const cookies = {};
const call = async (path, options = {}) => {
    const answer = await fetch(base + path, { redirect: 'manual', signal: AbortSignal.timeout(8000), ...options, headers: { cookie: Object.entries(cookies).map(([k, v]) => `${k}=${v}`).join('; '), ...options.headers } });
    for (const cookie of answer.headers.getSetCookie()) {
        const [pair] = cookie.split(';');
        cookies[pair.slice(0, pair.indexOf('='))] = pair.slice(pair.indexOf('=') + 1);
    }
    return answer;
};
const form = (fields) => ({ method: 'POST', headers: { 'content-type': 'application/x-www-form-urlencoded' }, body: new URLSearchParams(fields) });
const tokenOf = (html) => html.match(/name="csrf-token" content="([^"]+)"/)[1];
await call('/login', form({ _token: tokenOf(await (await call('/login')).text()), email: 'rosa@lantern.example', password: 'lantern-demo' }));
let token = tokenOf(await (await call('/switches/1/commission')).text());
const begun = await call('/switches/1/commission', form({ _token: token, hazards_read: '1' }));
const run = new URL(begun.headers.get('location')).pathname;
token = tokenOf(await (await call(run)).text());

const answered = [], waiting = [];
let at = 0;
const send = async () => {
    const answer = await call(`${run}/marks`, { method: 'POST', headers: { 'content-type': 'application/json', accept: 'application/json', 'x-csrf-token': token }, body: JSON.stringify({ marks: waiting }) });
    if (answer.ok) {
        answered.push(...(await answer.json()).kept);
        waiting.length = 0;
    }
};
for (let round = 0; round < rounds; round++) {
    const killAfter = 5 + Math.floor(Math.random() * 20);
    for (let i = 0; i < 30; i++) {
        waiting.push({ id: randomUUID(), event: 'start_signal', at_ms: at += 10, undone: false });
        if (i === killAfter) {
            process.kill(Number(readFileSync(`${process.env.TMPDIR ?? tmpdir()}/escapement-${process.getuid()}-${dbPort}/db.pid`, 'utf8')), 'SIGKILL');
        }
        await send().catch(() => {});
    }
    execFileSync(`${root}bin/start`, { stdio: 'ignore' });
    await send();
}
const stored = await (await call(`${run}/report.json`)).text();
const ids = JSON.parse(stored).marks.map((mark) => mark.id);
const lost = answered.filter((id) => !ids.includes(id)).length;
execFileSync(`${root}bin/escapement`, ['verify-record', '-'], { input: stored });
console.log(`${rounds} hard kills: ${answered.length} marks answered, ${lost} lost, ${ids.length - new Set(ids).size} doubled, ${waiting.length} still waiting; the record verifies`);
process.exit(lost === 0 ? 0 : 1);

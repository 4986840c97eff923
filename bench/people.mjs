// Many people at once on what bin/start serves: each looks at a page, thinks for five seconds, and goes on. Prints how long pages took, all
// together and by kind. Run after bin/start: node bench/people.mjs [people] [seconds]
const base = process.env.ESCAPEMENT_URL ?? 'http://127.0.0.1:8080';
const people = Number(process.argv[2] ?? 50);
const seconds = Number(process.argv[3] ?? 60);
const PAUSE_MS = 5000;
const pages = ['/', '/', '/sites/1', '/switches/1/plan', '/switches/1/settings', '/switches/1/rehearsal', '/switches/1/schedule'].concat([
    '/switches/1/logbook',
    '/switches/6/load-tests',
    '/calendar',
    '/fleet',
    '/visits',
    '/switches/4/settings',
    '/switches/2/commission',
]);
const sleep = (ms) =>
    new Promise((resolve) => {
        setTimeout(resolve, ms);
    });
const who = ['rosa', 'milo', 'tove', 'ida'];
const taken = new Map();
const wrong = [];

class Person {
    cookies = new Map();

    async call(path, options = {}) {
        const answer = await fetch(base + path, {
            redirect: 'manual',
            ...options,
            headers: { ...options.headers, cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ') },
        });
        for (const cookie of answer.headers.getSetCookie()) {
            const [name, value] = cookie.split(';')[0].split(/=(.*)/s);
            this.cookies.set(name, value);
        }
        return answer;
    }
    async signIn(name) {
        const form = await (await this.call('/login')).text();
        const token = /name="csrf-token" content="([^"]+)"/.exec(form)[1];
        await this.call('/login', {
            method: 'POST',
            headers: { 'content-type': 'application/x-www-form-urlencoded' },
            body: new URLSearchParams({ _token: token, email: `${name}@lantern.example`, password: 'lantern-demo' }),
        });
    }
    async work(until, number) {
        await sleep((number / people) * PAUSE_MS);
        for (let i = number; Date.now() < until; i++) {
            const path = pages[(i * 7 + number) % pages.length];
            const from = performance.now();
            const answer = await this.call(path);
            await answer.arrayBuffer();
            taken.set(path, [...(taken.get(path) ?? []), performance.now() - from]);
            if (answer.status !== 200) {
                wrong.push(`${answer.status} ${path}`);
            }
            await sleep(PAUSE_MS * (0.7 + 0.6 * Math.random()));
        }
    }
}

const crowd = Array.from({ length: people }, () => new Person());
for (const [i, person] of crowd.entries()) {
    await person.signIn(who[i % who.length]); // one after the other: a password takes its time on purpose
}
const until = Date.now() + seconds * 1000;
await Promise.all(crowd.map((person, i) => person.work(until, i)));
const line = (name, times) => {
    const sorted = times.toSorted((a, b) => a - b);
    const at = (part) => sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))].toFixed(0).padStart(5);
    console.log(`${name.padEnd(26)} ${String(times.length).padStart(5)} pages  p50 ${at(0.5)} ms  p95 ${at(0.95)} ms  slowest ${at(1)} ms`);
};
for (const [path, times] of [...taken].toSorted(([a], [b]) => a.localeCompare(b))) {
    line(path, times);
}
line(`${people} people`, [...taken.values()].flat());
console.log(wrong.length === 0 ? 'Every page answered.' : `${wrong.length} did not: ${[...new Set(wrong)].join(', ')}`);
process.exit(wrong.length === 0 ? 0 : 1);

// For bench/cluster.sh and bench/disk-full.sh: three people mark, while what PLAN says happens to nodes, databases or the disk. A mark that
// is not accepted is sent again, with its id, to the next node. Prints what was accepted, and the runs it went to.
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';

const bases = process.env.NODES.split(',');
const { KILL: kill, ACCEPTED: out } = process.env;
const plan = JSON.parse(process.env.PLAN); // part of the time, and what is done then
const SECONDS = Number(process.argv[2] ?? 60);
const sleep = (ms) =>
    new Promise((resolve) => {
        setTimeout(resolve, ms);
    });

class Hand {
    cookies = new Map();
    at = 0;
    accepted = [];
    tries = 0;

    async call(path, options = {}) {
        for (let i = 0; i < 200; i++) {
            try {
                const answer = await fetch(bases[this.at % bases.length] + path, {
                    redirect: 'manual',
                    signal: AbortSignal.timeout(10_000),
                    ...options,
                    headers: { ...options.headers, cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ') },
                });
                if (answer.status < 500) {
                    for (const cookie of answer.headers.getSetCookie()) {
                        const [name, value] = cookie.split(';')[0].split(/=(.*)/s);
                        this.cookies.set(name, value);
                    }
                    return answer;
                }
            } catch {
                /* that node is gone: the other one */
            }
            this.at++;
            this.tries++;
            await sleep(200);
        }
        throw new Error(`${path}: nobody answers`);
    }
    async token(path) {
        return /name="csrf-token" content="([^"]+)"/.exec(await (await this.call(path)).text())[1];
    }
    async begin(name, site) {
        const form = (fields) => ({
            method: 'POST',
            headers: { 'content-type': 'application/x-www-form-urlencoded' },
            body: new URLSearchParams(fields),
        });
        const first = await this.token('/login');
        await this.call('/login', form({ _token: first, email: `${name}@lantern.example`, password: 'lantern-demo' }));
        this.csrf = await this.token('/account');
        const press = crypto.randomUUID();
        const begun = await this.call(
            `/switches/${site}/commission`,
            form({ _token: this.csrf, hazards_read: '1', reaction_ms: '500', press }),
        );
        this.run = new URL(begun.headers.get('location'), bases[0]).pathname;
    }
    async mark(i) {
        const id = crypto.randomUUID();
        const events = ['utility_off', 'start_signal', 'engine_running', 'transferred', 'utility_on', 'retransferred', 'engine_stopped'];
        const mark = { id, event: events[i % events.length], at_ms: i * 1000, client_wall: new Date().toISOString() };
        const answer = await this.call(`${this.run}/marks`, {
            method: 'POST',
            headers: { 'content-type': 'application/json', accept: 'application/json', 'X-CSRF-TOKEN': this.csrf },
            body: JSON.stringify({ marks: [mark] }),
        });
        const told = await answer.json();
        if (answer.ok && told.kept?.includes(id)) {
            this.accepted.push(id);
        }
    }
}

const hands = [];
for (const [i, [name, site]] of [
    ['rosa', 1],
    ['milo', 4],
    ['tove', 6],
].entries()) {
    const hand = new Hand();
    hand.at = i;
    await hand.begin(name, site);
    hands.push(hand);
}
const until = Date.now() + SECONDS * 1000;
const work = async (hand) => {
    for (let i = 0; Date.now() < until; i++) {
        await hand.mark(i);
        hand.at++;
        await sleep(30);
    }
};
const disturb = async () => {
    for (const [after, what] of plan) {
        await sleep(Math.max(0, until - SECONDS * 1000 * (1 - after) - Date.now()));
        execFileSync(kill, what.split(' '), { stdio: 'inherit' });
    }
};
await Promise.all([...hands.map(work), disturb()]);
writeFileSync(out, JSON.stringify(hands.map(({ run, accepted }) => ({ run, accepted }))));
for (const { run, accepted, tries } of hands) {
    console.log(`${run}: ${accepted.length} marks accepted, ${tries} calls made again`);
}

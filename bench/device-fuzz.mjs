// Random and mutated frames and lines at the daemon of the bench for a while: it stays up, answers, and its memory stays flat. Run after
// bin/start, on demo data: node bench/device-fuzz.mjs [seconds] [port]
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { connect } from 'node:net';
import process from 'node:process';
import { setTimeout as sleep } from 'node:timers/promises';

const seconds = Number(process.argv[2] ?? 60);
const port = Number(process.argv[3] ?? 15_020);
let seed = 20_261_127;
const random = (most) => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) % most;
const pid = Number(execFileSync('pgrep', ['-f', 'artisan bench:serve']).toString().trim().split('\n')[0]);
const memory = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;

function bytes(count) {
    return Buffer.from(Array.from({ length: count }, () => random(256)));
}
function frame() {
    const pdu = Buffer.from([
        [1, 2, 3, 4, 5, 6, 15, 16, 43, random(256)][random(10)],
        random(6),
        random(256),
        random(2),
        random(256),
        random(256),
    ]);
    const head = Buffer.from([0, random(256), 0, random(40) === 0 ? 1 : 0, 0, pdu.length + 1, 1]);
    const whole = Buffer.concat([head, pdu]);
    return random(5) === 0 ? whole.subarray(0, random(whole.length)) : random(6) === 0 ? bytes(random(300) + 1) : whole;
}
const methods = ['hello', 'read', 'subscribe', 'input', 'clock', 'write_settings', 'log', 'script', 'ping', 'x'];
const odd = [null, -1, 1e99, '', 'normal', [], {}, [null], { v: 'x' }, 2 ** 53, true];
function line() {
    const params = { protocol: [1], role: 'technician', names: odd[random(odd.length)], do: ['utility', 'load', 'test', 'x'][random(4)] };
    params[['v', 'kw', 'rate', 'settings', 'limit', 'every_ms'][random(6)]] = odd[random(odd.length)];
    const text = `${JSON.stringify({ id: random(9), method: methods[random(methods.length)], params })}\n`;
    return random(8) === 0 ? bytes(random(200) + 1) : random(60) === 0 ? `${'x'.repeat(200_000)}\n` : text;
}

const end = Date.now() + seconds * 1000;
const before = memory();
let sent = 0;
while (Date.now() < end) {
    const isModbus = random(2) === 0;
    await new Promise((resolve) => {
        const socket = connect(port + (isModbus ? 0 : 1), '127.0.0.1', () => {
            for (let i = 0; i < 20; i++) {
                socket.write(isModbus ? frame() : line());
                sent++;
            }
            setTimeout(() => socket.destroy(), 20);
        });
        socket.on('error', () => {});
        socket.on('close', resolve);
    });
}
await sleep(1000);
const after = memory();
const isUp = await new Promise((resolve) => {
    const socket = connect(port + 1, '127.0.0.1');
    socket.once('data', (greeting) => resolve(String(greeting).includes('escapement-bench')));
    socket.once('error', () => resolve(false));
});
console.log(`${sent} frames and lines, memory ${before.toFixed(1)} to ${after.toFixed(1)} MB, ${isUp ? 'up' : 'DOWN'}`);
process.exit(isUp ? 0 : 1);

// The daemon of the bench killed hard while settings are written, again and again: each time it has the old or the new ones, never a
// mixture, and what was accepted is there. What bin/start serves is
// killed; its worker starts it again. On demo data only: node bench/bench-kill.mjs [times] [port]
import { execFileSync } from 'node:child_process';
import { connect } from 'node:net';
import process from 'node:process';
import { setTimeout as sleep } from 'node:timers/promises';

const times = Number(process.argv[2] ?? 10);
const port = Number(process.argv[3] ?? 15_020);

class Device {
    waiting = new Map();
    text = '';
    id = 0;
    static async at(where) {
        const device = new Device();
        device.socket = connect(where, '127.0.0.1');
        await new Promise((resolve, reject) => {
            device.socket.once('connect', resolve);
            device.socket.once('error', reject);
        });
        device.socket.on('error', () => {});
        device.socket.on('data', (bytes) => device.hear(String(bytes)));
        device.socket.on('close', () => device.waiting.forEach(({ reject }) => reject(new Error('gone'))));
        await device.ask('hello', { protocol: [1], role: 'technician' });
        return device;
    }
    hear(text) {
        this.text += text;
        const lines = this.text.split('\n');
        this.text = lines.pop();
        for (const line of lines.map((one) => JSON.parse(one))) {
            const { resolve, reject } = this.waiting.get(line.id) ?? {};
            this.waiting.delete(line.id);
            line.ok ? resolve?.(line.result) : reject?.(new Error(line.error?.message));
        }
    }
    ask(method, params = {}) {
        const id = ++this.id;
        const answer = new Promise((resolve, reject) => this.waiting.set(id, { resolve, reject }));
        this.socket.write(`${JSON.stringify({ id, method, params })}\n`);
        return answer;
    }
}

async function reached() {
    for (let i = 0; i < 100; i++) {
        try {
            return await Device.at(port + 1);
        } catch {
            await sleep(100);
        }
    }
    throw new Error('the daemon did not come up');
}

let accepted = null;
let writes = 0;
for (let kill = 0; kill < times; kill++) {
    const device = await reached();
    const pids = execFileSync('pgrep', ['-f', 'artisan bench:serve']).toString().trim().split('\n').map(Number);
    const { settings, revision } = await device.ask('read', { names: ['settings', 'revision'] });
    const isWhole = settings.return_delay_ms % 60_000 === settings.cooldown_ms % 60_000;
    if (accepted && (!isWhole || revision < accepted)) {
        throw new Error(`after kill ${kill}: revision ${revision} of ${accepted} accepted, whole: ${isWhole}`);
    }
    const end = sleep(300 + Math.random() * 900).then(() => pids.forEach((pid) => process.kill(pid, 'SIGKILL')));
    try {
        for (let mark = revision; ; mark++) {
            const seconds = (mark % 50) * 1000; // both delays carry the same mark
            const next = { ...settings, return_delay_ms: 300_000 + seconds, cooldown_ms: 120_000 + seconds };
            const serial = (await device.ask('read', { names: ['revision'] }), (device.serial ??= await serialOf()));
            accepted = (await device.ask('write_settings', { settings: next, expected_revision: mark, confirm: serial })).revision;
            writes++;
        }
    } catch (error) {
        if (error.message !== 'gone') {
            throw error;
        }
    }
    await end;
}
console.log(`${times} kills, ${writes} writes accepted, each there whole afterwards`);

async function serialOf() {
    return new Promise((resolve) => {
        const socket = connect(port + 1, '127.0.0.1');
        socket.once('data', (bytes) => {
            resolve(JSON.parse(String(bytes).split('\n')[0]).device.serial);
            socket.destroy();
        });
    });
}

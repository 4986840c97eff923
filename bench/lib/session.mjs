// A person signed in without a browser, as the benchmarks need one.
const cookies = new Map();

export const base = process.env.ESCAPEMENT_URL ?? 'http://127.0.0.1:8080';

export const call = async (path, options = {}) => {
    const answer = await fetch(new URL(path, base), {
        redirect: 'manual',
        ...options,
        headers: { ...options.headers, cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join('; ') },
    });
    for (const cookie of answer.headers.getSetCookie()) {
        const [name, value] = cookie.split(';')[0].split(/=(.*)/s);
        cookies.set(name, value);
    }
    return answer;
};

export const token = async (path) => /name="csrf-token" content="([^"]+)"/.exec(await (await call(path)).text())[1];

export const form = (fields) => ({
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
    body: new URLSearchParams(fields),
});

export const signIn = async () =>
    call('/login', form({ _token: await token('/login'), email: 'rosa@lantern.example', password: 'lantern-demo' }));

/** Median and slowest of some calls, in ms. */
export const timed = async (path, times = 15) => {
    const all = [];
    let status;
    for (let i = 0; i < times; i++) {
        const from = performance.now();
        const answer = await call(path);
        await answer.arrayBuffer();
        all.push(performance.now() - from);
        status = answer.status;
    }
    all.sort((a, b) => a - b);
    return { status, median: all[all.length >> 1], slowest: all[all.length - 1] };
};

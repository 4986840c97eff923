import { beginRun, expect, newHouse, signIn, test } from './steps.js';

test('a mark made while the answer to the last one is being read stays on screen and is sent', async ({ page }) => {
    await signIn(page);
    await page.addInitScript(() => {
        // a slow phone: what is read from its store arrives a second later
        const { set } = Object.getOwnPropertyDescriptor(IDBTransaction.prototype, 'oncomplete');
        Object.defineProperty(IDBTransaction.prototype, 'oncomplete', {
            set(done) {
                set.call(this, this.mode === 'readonly' ? () => setTimeout(done, 1000) : done);
            },
        });
    });
    await beginRun(page, await newHouse(page, `Slow Phone Lane ${Date.now()}`));
    const answered = page.waitForResponse(/\/marks$/);
    await page.getByRole('button', { name: 'Mark: utility off' }).click();
    await answered;
    await page.waitForTimeout(450);
    await page.getByRole('button', { name: 'Mark: start signal' }).click();
    const lines = page.locator('.marks li');
    await expect(lines).toHaveCount(2);
    await page.evaluate(() => {
        const list = document.querySelector('.marks');
        new MutationObserver(() => {
            if (list.querySelectorAll('li').length < 2) {
                list.dataset.lost = 'a mark was gone';
            }
        }).observe(list, { childList: true });
    });
    await expect(page.getByText('All sent.')).toBeVisible();
    await page.waitForTimeout(1500);
    expect(await page.locator('.marks').first().getAttribute('data-lost')).toBeNull();
    await page.getByRole('button', { name: /^Sign the run/ }).click();
    await expect(page.getByText('Signed. The run is closed')).toBeVisible();
});

test('a reload never offers a mark that was made already, however slow the phone', async ({ page }) => {
    await signIn(page);
    await beginRun(page, await newHouse(page, `Slow Reload Lane ${Date.now()}`));
    await page.getByRole('button', { name: 'Mark: utility off' }).click();
    await expect(page.getByText('All sent.')).toBeVisible();
    await page.addInitScript(() => {
        const { set } = Object.getOwnPropertyDescriptor(IDBTransaction.prototype, 'oncomplete');
        Object.defineProperty(IDBTransaction.prototype, 'oncomplete', {
            set(done) {
                set.call(this, () => setTimeout(done, 1000));
            },
        });
    });
    await page.reload();
    await page.waitForTimeout(300);
    await page.locator('.mark-button').dispatchEvent('click'); // a press before the page knows what it would mean
    await expect(page.locator('.marks li')).toHaveCount(1);
    await expect(page.getByRole('button', { name: 'Mark: start signal' })).toBeVisible();
    await page.keyboard.press('Space');
    await expect(page.locator('.marks li')).toHaveCount(2);
    await expect(page.locator('.marks li').last()).toContainText('Start signal');
});

test('a verdict that could not be fetched is fetched when the network is back', async ({ page }) => {
    await signIn(page);
    await beginRun(page, await newHouse(page, `Thin Air Lane ${Date.now()}`));
    await page.route('**/verdict', (route) => route.abort());
    const missed = page.waitForEvent('requestfailed', (request) => request.url().endsWith('/verdict'));
    const before = await page.locator('#verdict').innerText();
    await page.getByRole('button', { name: 'Mark: utility off' }).click();
    await page.waitForTimeout(450);
    await page.getByRole('button', { name: 'Mark: start signal' }).click();
    await missed;
    await expect(page.getByText('All sent.')).toBeVisible();
    expect(await page.locator('#verdict').innerText()).toBe(before);
    await page.unroute('**/verdict');
    await page.evaluate(() => dispatchEvent(new Event('online')));
    await expect(page.locator('#verdict')).toContainText('early');
});

test('after an outage the test button is timed on the same watch, and the outage once more', async ({ page }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Twice Timed Lane ${Date.now()}`));
    const mark = async (name) => {
        await page.getByRole('button', { name: `Mark: ${name}`, exact: false }).click();
        await page.waitForTimeout(430);
    };
    await expect(page.getByRole('button', { name: 'Time the test button' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Time an outage again' })).toBeHidden(); // none was timed yet
    await mark('utility off');
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect(page.getByRole('list', { name: 'Marks', exact: true })).toContainText('struck out'); // alone, and still in sight
    for (const name of ['utility off', 'start signal', 'generator good', 'load on G']) {
        await mark(name);
    }
    await expect(page.getByRole('button', { name: 'Time the test button' })).toBeHidden(); // not in the middle of a run
    await page.getByRole('button', { name: 'No bait test' }).click();
    for (const name of ['utility on', 'load back on U', 'engine stopped']) {
        await mark(name);
    }

    await page.getByRole('button', { name: 'Time the test button' }).click();
    await expect(page.getByRole('heading', { name: 'Test by the button' })).toBeVisible();
    await page.getByRole('button', { name: 'Not now' }).click();
    await expect(page.getByRole('heading', { name: 'Simulated outage' })).toBeVisible();
    await page.getByRole('button', { name: 'Time the test button' }).click();
    await mark('test begun');
    await page.getByRole('button', { name: 'Skip: start signal' }).click();
    for (const name of ['generator good', 'load on G', 'test ended', 'load back on U', 'engine stopped']) {
        await mark(name);
    }
    const lines = page.getByRole('list', { name: 'Marks', exact: true }).getByRole('listitem');
    await expect(lines).toHaveCount(6); // the run at hand; what was timed before is below
    await expect(page.getByRole('heading', { name: 'Test by the button' })).toBeVisible();
    await expect(lines.first().locator('.fig')).toHaveText('0.0\u202Fs'); // each run has its own clock
    await page.getByText('Timed before in this run').click();
    await expect(page.getByRole('list', { name: 'Marks before' }).getByRole('listitem')).toHaveCount(8);
    await expect(page.getByRole('list', { name: 'Marks before' }).getByRole('listitem').nth(1)).toContainText('Simulated outage');

    await page.reload(); // it knows where it is without being told
    await page.getByRole('button', { name: 'Time an outage again' }).click();
    await mark('utility off');
    await mark('start signal');
    await expect(lines).toHaveCount(2);
    await expect(page.getByText('All sent.')).toBeVisible();
    await expect(page.locator('#verdict')).toContainText('Outage 2');
    await expect(page.locator('#verdict')).toContainText('Test by the button');
    await expect(page.locator('#verdict').getByRole('row', { name: /^Start signal 2/ })).toBeVisible();
    const stored = await (await page.request.get(`${run}/report.json`)).json();
    expect(stored.timing.runs.map(({ by }) => by ?? 'outage')).toEqual(['outage', 'button', 'outage']);
});

test('a phone changes hands by PIN: each mark keeps its maker, and pages of the one before are gone', async ({ page, context }) => {
    test.setTimeout(120_000);
    const enter = async (email) => {
        await page.goto('/login');
        await page.getByLabel('Address').fill(email);
        await page.getByLabel('Password').fill('lantern-demo');
        await page.getByRole('button', { name: 'Sign in' }).click();
        await expect(page.getByRole('heading', { name: 'Sites' })).toBeVisible();
    };
    const leave = async () => {
        await page.getByRole('button', { name: /^Your account/ }).click();
        await page.getByRole('button', { name: 'Sign out' }).click();
        await expect(page.getByLabel('Address')).toBeVisible();
    };
    const setPin = async (pin) => {
        await page.goto('/account');
        await page.getByLabel('PIN', { exact: true }).fill(pin);
        await page.locator('input[name=pin_password]').fill('lantern-demo');
        await page.getByRole('button', { name: 'Set it' }).click();
        await expect(page.getByText('The PIN is set, on this device only')).toBeVisible();
    };
    await enter('milo@lantern.example');
    await setPin('2580');
    await leave();
    await enter('tove@lantern.example');
    await setPin('1479');
    await beginRun(page, await newHouse(page, `Two Hands Lane ${Date.now()}`));
    const run = new URL(page.url()).pathname;
    await page.reload(); // by way of the worker, which keeps the page
    await expect(page.getByRole('button', { name: 'Mark: utility off' })).toBeVisible();
    const keptPages = () => page.evaluate(async () => (await caches.keys()).filter((name) => name.startsWith('pages-')));
    await expect.poll(keptPages).toHaveLength(1);
    const [before] = await keptPages();
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Mark: utility off' }).click();
    await expect(page.locator('.marks li')).toHaveCount(1);
    // from here on the network does not let marks through: the mark stays on the phone
    await page.route('**/marks', (route) => route.abort());
    await context.setOffline(false);
    await page.getByRole('button', { name: /^Your account/ }).click();
    await page.getByRole('link', { name: 'Change person' }).click();
    await page.getByText('Milo Tern', { exact: true }).click();
    await page.getByLabel('PIN', { exact: true }).fill('9999');
    await page.getByRole('button', { name: 'Take over' }).click();
    await expect(page.getByText('Not the PIN of Milo Tern')).toBeVisible();
    await page.getByLabel('PIN', { exact: true }).fill('2580');
    await page.getByRole('button', { name: 'Take over' }).click();
    await expect(page.getByText('Milo Tern has this phone now')).toBeVisible();
    expect(new URL(page.url()).pathname).toBe(run);
    await expect.poll(keptPages).not.toContain(before);
    await page.unroute('**/marks');
    await expect(page.getByText('made here by somebody else')).toBeVisible();
    await page.getByRole('button', { name: 'Mark: start signal' }).click();
    await page.getByRole('button', { name: /^Your account/ }).click();
    await page.getByRole('link', { name: 'Change person' }).click();
    await page.getByText('Tove Marsh', { exact: true }).click();
    await page.getByLabel('PIN', { exact: true }).fill('1479');
    await page.getByRole('button', { name: 'Take over' }).click();
    await expect(page.getByText('All sent.')).toBeVisible();
    await expect(page.locator('.marks li')).toHaveCount(2);
});

import { beginRun, expect, goOffline, goOnline, newHouse, signIn, test } from './steps.js';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test('marks made in airplane mode survive a reload and are sent once the network is back', async ({ page, context }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Basement ${Date.now()}`));
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();

    await page.getByRole('button', { name: 'Mark: utility off' }).tap();
    await expect(page.getByText('All sent.')).toBeVisible();

    await goOffline(context);
    await page.getByRole('button', { name: 'Mark: start signal' }).tap();
    await page.waitForTimeout(450);
    await page.getByRole('button', { name: 'Mark: generator good' }).tap();
    await expect(page.getByText('2 to send')).toBeVisible();

    await page.reload(); // the phone was put away; the page comes from the device
    await expect(page.getByText('2 to send')).toBeVisible();
    await expect(page.locator('.marks li')).toHaveCount(3);
    await page.getByRole('button', { name: 'Mark: load on G' }).tap();
    await expect(page.getByText('3 to send')).toBeVisible();

    await page.getByRole('button', { name: 'Note on Generator good' }).tap();
    await page.getByLabel('Note on "Generator good"').fill('second crank');
    await page.getByRole('button', { name: 'Keep the note on this mark' }).tap();
    await expect(page.locator('.marks').first()).toContainText('second crank');

    await goOnline(context);
    await expect(page.getByText('All sent.')).toBeVisible({ timeout: 40_000 });
    const stored = await (await page.request.get(`${run}/report.json`)).json();
    expect(stored.marks.map((mark) => mark.event)).toEqual(['utility_off', 'start_signal', 'engine_running', 'transferred']);
    expect(stored.marks[2].note).toBe('second crank');
    expect(stored.record.entries).toHaveLength(5);
});

test('a server that is gone in the middle loses nothing', async ({ page }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Restart ${Date.now()}`));
    // First nobody answers; then the answer is lost on its way back: the server has the mark, the phone does not know
    // it and sends it again; then all is well.
    let server = 'gone';
    await page.route('**/marks', async (route) => {
        if (server === 'well') {
            return route.continue();
        }
        if (server === 'deaf') {
            server = 'well';
            await route.fetch();
        }
        return route.abort('connectionfailed');
    });
    await page.getByRole('button', { name: 'Mark: utility off' }).tap();
    await expect(page.getByText('1 to send')).toBeVisible();
    server = 'deaf';
    await expect(page.getByText('All sent.')).toBeVisible({ timeout: 40_000 });
    expect(server).toBe('well');
    const stored = await (await page.request.get(`${run}/report.json`)).json();
    expect(stored.marks).toHaveLength(1);
});

test('the big button is big, and nothing else is near it', async ({ page }) => {
    await signIn(page);
    await beginRun(page, await newHouse(page, `Glove ${Date.now()}`));
    const button = await page.getByRole('button', { name: 'Mark: utility off' }).boundingBox();
    expect(button.height).toBeGreaterThanOrEqual(168);
    expect(button.width).toBeGreaterThan(340);
    await page.getByRole('button', { name: 'Mark: utility off' }).tap();
    const undo = await page.getByRole('button', { name: /Undo/ }).boundingBox();
    const after = await page.getByRole('button', { name: 'Mark: start signal' }).boundingBox();
    expect(undo.y - (after.y + after.height)).toBeGreaterThanOrEqual(15);
    expect(undo.height).toBeGreaterThanOrEqual(64);
});

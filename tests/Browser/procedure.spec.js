import { beginRun, expect, newHouse, signIn, test } from './steps.js';

const answered = (page) => page.locator('#procedure .head b');

test('a procedure goes on in the basement, past a reload, and is whole when the network is back', async ({ page, context }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Cellar Lane ${Date.now()}`));
    await page.goto(`${run}/procedure`);
    await page.evaluate(async () => { await navigator.serviceWorker.ready; });
    await page.reload();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();

    const now = page.locator('.now:not([hidden])');
    await expect(now.getByRole('heading')).toHaveText('Say aloud what will happen');
    await now.getByRole('button', { name: 'It is so' }).click();
    await expect(now.getByRole('heading')).toHaveText('Keep the engine from starting, as its maker says');
    await expect(answered(page)).toContainText('1 of');

    await context.setOffline(true);
    await now.getByRole('button', { name: 'It is so' }).click();
    await expect(page.getByText('1 to send')).toBeVisible();
    while ((await now.getByRole('heading').textContent()).startsWith('Open, lock')) { await now.getByRole('button', { name: 'It is so' }).click(); await page.waitForTimeout(100); }
    await expect(now.getByRole('heading')).toHaveText('Prove dead');

    await test.step('not dead: nothing behind it opens, not even without a network', async () => {
        await now.getByRole('button', { name: 'Not so' }).click();
        await expect(now.getByRole('alert').last()).toContainText('a note is needed');
        await now.getByLabel(/^Note/).fill('L2 shows 118 V');
        await now.getByRole('button', { name: 'Not so' }).click();
        await expect(now.getByRole('heading')).toHaveText('Prove dead');
        await now.getByLabel(/^Note/).fill('');
        await now.getByRole('button', { name: 'It is so' }).click();
        await expect(now.getByRole('heading')).toHaveText('Exhaust, alarms and clearances');
    });

    await page.reload();
    await expect(now.getByRole('heading')).toHaveText('Exhaust, alarms and clearances');
    await expect(page.getByText('Saved on this phone')).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText('All sent.')).toBeVisible();
    await expect(page.locator('[data-item="isolate/proved-dead"]')).toContainText('done');
    await expect(page.locator('[data-item="isolate/proved-dead"]')).toContainText('L2 shows 118 V');
    const count = await page.locator('[data-item^="isolate/"] .step-state').count();
    await expect(answered(page)).toContainText(`${count} of`);
});

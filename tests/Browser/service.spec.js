import { expect, signIn, test } from './steps.js';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test('a service visit is begun and answered on the phone, is not signed while an answer is not sent, and lands in the logbook', async ({
    page,
}) => {
    await signIn(page);
    await page.goto('/switches/1/service');
    await expect(page.getByText('Automatic start.')).toBeVisible();
    await page.getByRole('button', { name: 'Hazards read: begin the visit' }).tap();
    await expect(page.getByRole('heading', { name: 'Service visit' })).toBeVisible();
    const now = page.locator('section.now:not([hidden])');
    await now.getByRole('button', { name: 'Matches' }).tap();
    await expect(now.getByRole('heading', { name: 'Selector as found' })).toBeVisible();
    await now.getByText('off', { exact: true }).tap();
    await now.getByRole('button', { name: 'Keep it' }).tap();
    await expect(now.getByText(/a note is needed/)).toBeVisible();
    await now.getByLabel(/^Note/).fill('Off since the roof was painted.');
    await page.route('**/answers', (route) => route.abort()); // the network goes
    await now.getByRole('button', { name: 'Keep it' }).tap();
    await expect(now.getByRole('heading', { name: 'Alarms and lamps as found' })).toBeVisible();
    await page.getByRole('button', { name: 'Sign the visit' }).tap();
    await expect(page.getByText('Something on this device is not sent yet')).toBeVisible();
    await page.unroute('**/answers');
    await expect(page.getByText('All sent.')).toBeVisible({ timeout: 20_000 });
    await page.getByRole('button', { name: 'Sign the visit' }).tap();
    await expect(page.getByText('Service visit: not all was done, as signed')).toBeVisible();
    await expect(page.getByText('Selector as found: off. Off since the roof was painted.', { exact: true })).toBeVisible();
});

test('a line of the logbook keeps its picture without a network', async ({ page, context }) => {
    await signIn(page);
    await page.goto('/switches/1/logbook?kind=alarm');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();
    await context.setOffline(true);
    await page.getByLabel('What it said').fill('Low coolant, seen');
    const picture = await page.evaluate(async () => {
        const canvas = document.createElement('canvas');
        canvas.width = canvas.height = 64;
        canvas.getContext('2d').fillRect(0, 0, 64, 64);
        return canvas.toDataURL('image/png').split(',')[1];
    });
    await page
        .locator('input[type=file][name="photos[]"]')
        .setInputFiles({ name: 'plate.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') });
    await expect(page.getByText('1 picture with it')).toBeVisible();
    await page.getByRole('button', { name: 'Save entry' }).tap();
    await expect(page.getByText('1 kept on this device, to be sent, 1 picture')).toBeVisible();
    await context.setOffline(false);
    await page.evaluate(() => dispatchEvent(new Event('online')));
    await expect(page.getByText('Low coolant, seen').first()).toBeVisible({ timeout: 30_000 });
    await expect(page.getByAltText(/Picture 1 of the entry/).first()).toBeVisible({ timeout: 30_000 });
});

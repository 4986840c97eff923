import { expect, signIn, test } from './steps.js';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test('a line is written into the logbook without a network, past a reload, and one that cannot be kept says why', async ({
    page,
    context,
}) => {
    await signIn(page);
    await page.goto('/switches/1/logbook?kind=battery');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();
    await context.setOffline(true);
    const write = async (volts) => {
        await page.getByLabel('Voltage').fill(volts);
        await page.getByRole('button', { name: 'Save entry' }).tap();
    };
    await write('12.61');
    await expect(page.getByText('1 kept on this device, to be sent')).toBeVisible();
    await page.reload(); // the page comes from the device
    await expect(page.getByText('1 kept on this device, to be sent')).toBeVisible();
    await write('half full');
    await expect(page.getByText('2 kept on this device, to be sent')).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText(/battery, \d{4}-.*: /)).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: 'Throw it away' }).tap();
    await expect(page.getByText('kept on this device')).toHaveCount(0);
    await page.reload();
    await expect(page.getByText('12.61 V').first()).toBeVisible();
    await expect(page.getByText(/Record whole/)).toBeVisible();
});

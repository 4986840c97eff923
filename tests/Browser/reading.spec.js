import { expect, signIn, test } from './steps.js';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const SENT = /readings\/batch$/;
const volts = (page, leg) => page.locator(`[name="v.${leg}"]`);

const fill = async (page, first) => {
    for (const input of await page.locator('.reading input[name]').all()) {
        const name = await input.getAttribute('name');
        const value =
            { hz: '50.0', oil: '400', coolant: '80', exhaust: '', battery_v: '27.2', kw: '' }[name] ??
            (name.startsWith('v') ? '230' : '40');
        await input.fill(name === 'v.0' && first ? first : value);
    }
};

test('a load test is read without a network, past a reload, and a slip of the finger is asked about', async ({ page, context }) => {
    await signIn(page);
    await page.goto('/switches/6/load-tests');
    await page
        .getByRole('link', { name: /planned|Semi-annual/ })
        .first()
        .click();
    await page.getByRole('link', { name: /Read on this phone/ }).click();
    await expect(page.getByRole('button', { name: 'Save reading 7' })).toBeVisible(); // the demo has six
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();

    await context.route(SENT, (route) => route.abort('internetdisconnected'));
    await context.setOffline(true);
    await fill(page, '2300');
    await page.getByRole('button', { name: /Save reading/ }).tap();
    await expect(page.getByText('You may mean 230 V')).toBeVisible();
    await expect(page.getByText('1 to send')).toHaveCount(0);
    await page.getByRole('button', { name: 'Use 230 V' }).tap();
    await expect(volts(page, 0)).toHaveValue('230');
    await page.getByRole('button', { name: /Save reading/ }).tap();
    await expect(page.getByText('1 to send')).toBeVisible();
    await expect(volts(page, 0)).toHaveValue(''); // never filled in
    await expect(page.locator('[data-was="v.0"]')).toHaveText('was 230');

    await page.reload(); // the page comes from the device
    await expect(page.getByText('1 to send')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Save reading 8' })).toBeVisible();

    await context.unroute(SENT);
    await context.setOffline(false);
    await expect(page.getByText('All sent.')).toBeVisible({ timeout: 40_000 });
    await page.reload();
    await expect(page.getByRole('button', { name: 'Save reading 8' })).toBeVisible();
});

test('steps and a failure are marked with a thumb without a network, a picture goes with its reading', async ({ page, context }) => {
    await signIn(page);
    await page.goto('/switches/6/load-tests');
    await page.getByLabel('What is to be proved').selectOption('custom');
    await page.getByLabel('Steps of your own').fill('30 × 10, 60 × 10');
    await page.getByLabel('Elements of the load bank').fill('20, 40');
    await page.getByRole('button', { name: 'Plan the test' }).click();
    await page.getByRole('link', { name: /Read on this phone/ }).click();
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();

    await context.route(SENT, (route) => route.abort('internetdisconnected'));
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Set started' }).tap();
    await page.getByRole('button', { name: 'Load up to 30 %' }).tap();
    await expect(page.getByRole('button', { name: 'Load up to 60 %' })).toBeVisible();
    await page.getByRole('button', { name: 'Utility failed' }).tap();
    await expect(page.getByText('The set carries the building now.')).toBeVisible();
    await page.getByRole('button', { name: 'Bank dropped' }).tap();
    await page.reload(); // a failure is not forgotten
    await expect(page.getByText('The set carries the building now.')).toBeVisible();
    await page.getByRole('button', { name: 'Utility back' }).tap();
    await expect(page.getByRole('button', { name: 'Load up to 60 %' })).toBeVisible();

    await page.locator('.reading-camera input').setInputFiles('docs/screenshots/board.png');
    await expect(page.getByText('Picture taken: saved with the reading')).toBeVisible();
    await fill(page);
    await page.getByRole('button', { name: 'Save reading 1' }).tap();
    await expect(page.getByText('7 to send')).toBeVisible(); // five marks, a reading and its picture
    await context.unroute(SENT);
    await context.setOffline(false);
    await expect(page.getByText('All sent.')).toBeVisible({ timeout: 40_000 });
    await page.getByRole('link', { name: /The whole test/ }).click();
    await expect(page.getByRole('row', { name: /Utility failed/ }).first()).toBeVisible();
    await expect(page.getByRole('link', { name: /^picture/ })).toBeVisible();

    await page.getByRole('button', { name: 'Sign and close' }).click();
    await page.getByRole('link', { name: 'Report' }).click();
    await expect(page.getByText(/Record whole/)).toBeVisible();
});

import { expect, newHouse, signIn, test } from './steps.js';

/** A house with a source and two loads that may be shed; returns the address of its plan. */
async function plannedHouse(page, name) {
    const settings = await newHouse(page, name);
    await page.goto(settings);
    await page
        .getByRole('link', { name: /^Survey/ })
        .first()
        .click();
    await page.getByRole('link', { name: /^Source and fuel/ }).click();
    await page.getByLabel('Fuel', { exact: true }).selectOption('lp');
    await page.getByLabel('Rating on LP').fill('18');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page
        .getByRole('link', { name: /^Loads/ })
        .first()
        .click();
    for (const [i, [load, kw]] of [
        ['Lights', '1'],
        ['Heater', '4.5'],
        ['Range', '8'],
    ].entries()) {
        await page.getByLabel(`Load ${i + 1}`, { exact: true }).fill(load);
        await page.getByLabel(`Running kW of load ${i + 1}`).fill(kw);
        await page.getByLabel(`Load ${i + 1}: ${i === 0 ? 'must run' : 'may be shed'}`).check();
        await page.getByLabel(`Priority of load ${i + 1}`).fill(String(i + 1));
    }
    await page.getByRole('button', { name: 'Save the loads' }).click();
    await expect(page.getByText('Loads saved.')).toBeVisible();
    return settings.replace('/settings', '/plan');
}

test('loads are put in their order by arrow and by grip, and the restart follows', async ({ page }) => {
    await signIn(page);
    const plan = await plannedHouse(page, `Rank Lane ${Date.now()}`);
    await page.goto(plan.replace('/plan', '/shedding'));
    const names = page.locator('.rank b');
    await expect(names).toHaveText(['Lights', 'Heater', 'Range']);
    await expect(page.locator('.rank').nth(1)).toContainText(/back after 10\.0/);
    await page.getByRole('button', { name: 'Range earlier' }).click();
    await expect(names).toHaveText(['Lights', 'Range', 'Heater']);
    await expect(page.locator('.rank', { hasText: 'Range' })).toContainText(/back after 10\.0/);

    const grip = await page.locator('.rank', { hasText: 'Heater' }).locator('[data-grip]').boundingBox();
    const target = await page.locator('.rank', { hasText: 'Range' }).boundingBox();
    await page.mouse.move(grip.x + 20, grip.y + 20);
    await page.mouse.down();
    await page.mouse.move(grip.x + 20, target.y + 6, { steps: 8 });
    await page.mouse.up();
    await expect(page.locator('.rank', { hasText: 'Heater' })).toContainText(/back after 10\.0/);
    await page.reload();
    await expect(names).toHaveText(['Lights', 'Heater', 'Range']);

    await page.getByRole('button', { name: 'Put into the sheet' }).click();
    await expect(page.getByText(/Version 2 is proposed/)).toBeVisible();
});

test('on the phone a picture is taken, and the van is packed line by line', async ({ browser }) => {
    const context = await browser.newContext({ baseURL: process.env.ESCAPEMENT_URL, viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    await signIn(page);
    await page.goto('/sites/4?on=photos');
    const shot = await page.screenshot();
    await page.locator('#photos').setInputFiles({ name: 'panel.png', mimeType: 'image/png', buffer: shot });
    await page.getByLabel('Caption').first().fill('As found');
    await page.getByRole('button', { name: 'Keep the pictures' }).click();
    await expect(page.getByText('The picture is kept.')).toBeVisible();
    const picture = page.getByRole('img', { name: 'As found' }).first();
    await expect.poll(() => picture.evaluate((image) => image.naturalWidth)).toBeGreaterThan(100);

    await page.goto('/switches/1/pack-list');
    const line = page.getByRole('button', { name: /^Torque tool/ });
    await line.click();
    await expect(line).toHaveAttribute('aria-pressed', 'true');
    await page.reload();
    await expect(line).toHaveAttribute('aria-pressed', 'true');
    await line.click();
    await expect(line).toHaveAttribute('aria-pressed', 'false');
    await context.close();
});

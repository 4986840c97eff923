import { expect, newHouse, signIn, test } from './steps.js';

test('a story is edited on the strip by pointer and by keyboard, kept, and drawn as a picture', async ({ page }) => {
    await signIn(page);
    const settings = await newHouse(page, 'Fern Hill edit');
    await page.goto(settings.replace('/settings', '/rehearsal'));
    await page.getByRole('button', { name: 'Edit it on the strip' }).click();
    const lasts = page.getByRole('slider', { name: 'Outage 1, lasts' });
    await expect(lasts).toBeVisible();

    const box = await lasts.locator('.block').boundingBox();
    await page.mouse.move(box.x + 4, box.y + 6);
    await page.mouse.down();
    await page.mouse.move(box.x + 24, box.y + 6, { steps: 4 });
    await page.mouse.up();
    await expect(page.getByRole('textbox', { name: 'Lasts' })).not.toHaveValue('180');
    await expect(lasts).not.toHaveAttribute('transform', /./); // the server's own drawing is there

    await page.getByRole('slider', { name: 'Outage 1, begins at' }).focus();
    await page.keyboard.press('PageUp');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('textbox', { name: 'Begins at' })).toHaveValue('11');
    await expect(page.getByRole('slider', { name: 'Outage 1, begins at' })).toHaveAttribute('aria-valuenow', '11');
    await expect(page.locator('.piece[transform]')).toHaveCount(0); // the answer is in, or it would take the button away under the click

    await page.getByRole('button', { name: 'Engine trips' }).click();
    await expect(page.getByLabel('For', { exact: true })).toHaveValue('low oil pressure');
    await page.getByRole('slider', { name: 'Engine trips 2, begins at' }).focus();
    await page.keyboard.press('Delete');
    await expect(page.getByRole('slider', { name: 'Engine trips 2, begins at' })).toHaveCount(0);

    await page.getByLabel('Name', { exact: true }).fill('Longer than last time');
    await page.getByRole('button', { name: 'Keep it for the company' }).click();
    await expect(page.getByText('"Longer than last time" is kept')).toBeVisible();

    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Strip, PNG' }).click();
    expect((await download).suggestedFilename()).toMatch(/longer-than-last-time\.png$/);
});

test('the small one-line follows the cursor', async ({ page }) => {
    await signIn(page);
    const settings = await newHouse(page, 'Fern Hill line');
    await page.goto(settings.replace('/settings', '/rehearsal'));
    const line = page.locator('#small-line');
    await page.getByRole('slider', { name: /Time cursor/ }).focus();
    await page.keyboard.press('Home');
    await expect(line).toHaveAttribute('data-bus', 'normal');
    await page
        .getByRole('button', { name: /Loads dark/ })
        .first()
        .click();
    await expect(line).toHaveAttribute('data-bus', 'dark');
    await expect(line).toHaveAttribute('data-n', 'dead');
    await page
        .getByRole('button', { name: /closes on the generator|Load on the generator|Loads live/ })
        .first()
        .click();
    await expect(line).toHaveAttribute('data-bus', 'emergency');
});

test('a recording is imported with its columns offered, and a season is played from it', async ({ page }) => {
    await signIn(page);
    await page.goto('/library');
    await page.getByText('Import a recording').click();
    const rows = ['when,north,south'];
    for (let s = 0; s < 300; s++) {
        rows.push(`${s},${s > 60 && s < 140 ? 0 : 120},${s > 60 && s < 140 ? 0 : 121}`);
    }
    await page.getByLabel(/^File:/).setInputFiles({ name: 'north yard.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) });
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('north yard');
    await page.getByLabel('Voltage 1').selectOption('north');
    await page.getByLabel('Voltage 2').selectOption('south');
    await page.getByRole('button', { name: 'Read it' }).first().click();
    await expect(page.getByRole('heading', { name: 'north yard' })).toBeVisible();
    await page.getByRole('link', { name: /no voltage for/ }).click();
    await expect(page.getByRole('link', { name: 'All of it' })).toBeVisible();
    await page.getByRole('link', { name: 'Juniper Row 14' }).click();
    await expect(page.getByRole('heading', { name: 'north yard' })).toBeVisible();
    await page.getByRole('link', { name: 'Run a season' }).click();
    await page.getByLabel('A recording').selectOption('north yard');
    await page.getByRole('button', { name: 'Play the season' }).click();
    await page.getByRole('link', { name: 'Return delay 15.0 s', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Propose this sheet' })).toBeVisible();
});

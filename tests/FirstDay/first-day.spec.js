import { writeFileSync } from 'node:fs';
import { devices, expect, test } from '@playwright/test';

// The first day of a company on an empty installation; tests/first-day.sh starts it, and goes on where this ends: backup, restore, key.
const { FIRST_LINK: link, FIRST_REPORT: report } = process.env;
const password = 'a lantern by the mill door';

test('begin, invite, take two hundred sites in, time an outage on a phone, sign', async ({ page, browser, baseURL }) => {
    test.setTimeout(240_000);
    await page.goto(link);
    await page.getByLabel('Company').fill('Mill Lane Power');
    await page.getByLabel('Your name').fill('Ana Reed');
    await page.getByLabel('Address to sign in with').fill('ana@mill.example');
    await page.getByLabel('New password', { exact: true }).fill(password);
    await page.getByLabel('New password again').fill(password);
    await page.getByRole('button', { name: 'Create company' }).click();
    await expect(page.getByText('No site yet')).toBeVisible();
    await expect(page.locator('.demo')).toHaveCount(0);
    expect((await page.goto(link)).status()).toBe(404);

    await page.goto('/people');
    await page.getByLabel('Name', { exact: true }).fill('Nell Marsh');
    await page.getByLabel('Address', { exact: true }).fill('nell@mill.example');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    const invitation = (await page.locator('code', { hasText: '/join/' }).innerText()).trim();

    await page.goto('/');
    await page.getByRole('link', { name: 'From a list' }).click();
    const rows = Array.from(
        { length: 200 },
        (_, i) => `Row ${i + 1},${i + 1} Mill Lane,${i % 2 ? 'Shop' : 'House'},200 A,diesel,${10 + (i % 30)}`,
    );
    await page.getByLabel('Or the list itself').fill(['Customer,Street,Type,Service,Fuel,kW', ...rows].join('\n'));
    await page.getByRole('button', { name: 'Look at it' }).click();
    await page.getByLabel('"House" is').selectOption('K1');
    await page.getByLabel('"Shop" is').selectOption('K2');
    await page.getByRole('button', { name: 'Look again' }).click();
    await expect(page.getByRole('heading', { name: '200 new sites' })).toBeVisible();
    await page.getByRole('button', { name: 'Take in' }).click();
    await expect(page.getByText('Taken in: 200 new sites.')).toBeVisible();

    const phone = await browser.newContext({ ...devices['Pixel 5'], baseURL });
    const hand = await phone.newPage();
    await hand.goto(new URL(invitation).pathname);
    await hand.getByLabel('Your name').fill('Nell Marsh');
    await hand.getByLabel('New password', { exact: true }).fill(password);
    await hand.getByLabel('New password again').fill(password);
    await hand.getByRole('button', { name: 'Save' }).click();
    await hand.goto('/?q=Row+200');
    await hand.locator('table.sites a', { hasText: 'Row 200' }).click();
    await hand.locator('.train-strip summary').click();
    await hand.locator('.train-strip a', { hasText: 'Survey' }).click();
    await hand.getByText('only the utility', { exact: true }).first().click();
    await hand.getByText('not required', { exact: true }).first().click();
    await hand.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(hand.getByText('Saved.')).toBeVisible();
    const settings = await hand.locator('a[href$="/settings"]').first().getAttribute('href');
    await hand.goto(settings);
    await hand.getByRole('button', { name: 'Save version 1' }).click();
    await expect(hand.getByText('Version 1 is saved')).toBeVisible();
    await hand.goto(settings.replace('/settings', '/commission'));
    await hand.getByRole('button', { name: /begin a run/ }).click();
    const run = new URL(hand.url()).pathname;
    const mark = hand.getByRole('button', { name: /^Mark: / });
    await expect(mark).toBeVisible();
    for (let presses = 0; presses < 12 && (await mark.isVisible()); presses++) {
        await mark.click();
        await hand.waitForTimeout(450); // the button rests, so that a finger that bounces marks once
    }
    await expect(hand.getByText('All sent.')).toBeVisible();
    await hand.getByRole('button', { name: /^Sign the run/ }).click();
    await expect(hand.getByText('Signed. The run is closed')).toBeVisible();
    const exported = await hand.request.get(`${run}/report.json`);
    expect(exported.ok()).toBe(true);
    writeFileSync(report, await exported.body());
    await phone.close();
});

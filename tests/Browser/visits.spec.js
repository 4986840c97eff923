import ICAL from 'ical.js';
import { expect, signIn, test } from './steps.js';

const planned = async (page) => {
    await page.goto('/visits');
    await page.getByRole('button', { name: 'Plan again, keep locked' }).click();
    await expect(page.getByText('Being planned')).toHaveCount(0, { timeout: 30_000 });
};
const boxOf = (page, site) => page.locator('[data-visit]', { hasText: site }).first();
const slotOf = async (box) => box.evaluate((one) => one.closest('[data-slot]').dataset.slot);

test('a visit is moved by the keyboard and by the mouse, and where it cannot stand it stays and says why', async ({ page }) => {
    await signIn(page);
    await planned(page);
    const before = await slotOf(boxOf(page, 'Juniper Row'));
    await boxOf(page, 'Juniper Row').focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByText(/let go, or press Enter/)).toBeVisible();
    const reload = page.waitForEvent('load');
    await page.keyboard.press('Enter');
    await reload;
    await expect(page.getByText('Being planned')).toHaveCount(0, { timeout: 30_000 });
    await expect(async () => {
        await page.reload();
        expect(await slotOf(boxOf(page, 'Juniper Row'))).not.toBe(before);
    }).toPass({ timeout: 30_000 });
    await expect(boxOf(page, 'Juniper Row')).toHaveAttribute('aria-label', /locked/);

    // Rosa is away on Wednesday
    const box = await boxOf(page, 'Juniper Row').boundingBox();
    const away = page.locator('[data-slot]', { hasText: 'Away: switchgear course' }).locator('rect').first();
    const to = await away.boundingBox();
    await page.mouse.move(box.x + 20, box.y + 10);
    await page.mouse.down();
    await page.mouse.move(box.x + 20, to.y + 20, { steps: 5 });
    await page.mouse.up();
    await expect(page.getByText('It stays where it is. That person is away on that day.')).toBeVisible();
});

test('my day is there without a network, and a real calendar reads what was planned', async ({ page, context, baseURL }) => {
    await signIn(page);
    await planned(page);
    await expect(async () => {
        await page.goto('/my-day');
        await page.evaluate(() => navigator.serviceWorker.ready);
        await page.reload();
        expect(await page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    }).toPass();
    await page.reload();
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText('This page stays on the phone.')).toBeVisible();
    await context.setOffline(false);

    await page.goto('/calendar');
    await page.getByLabel('Calendar of').selectOption('company');
    await page.getByRole('button', { name: 'Make an address' }).click();
    const told = await page.getByText('Copy it now').textContent();
    const address = /(\/feed\/\w+\.ics)/.exec(told)[1];
    const answer = await page.request.get(new URL(address, baseURL).href);
    const calendar = new ICAL.Component(ICAL.parse(await answer.text()));
    const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    expect(events.length).toBeGreaterThan(20);
    calendar.getAllSubcomponents('vtimezone').forEach((zone) => ICAL.TimezoneService.register(zone));
    const start = events.find(({ summary }) => summary === 'The generator starts by itself: Juniper Row 14').startDate;
    expect(start.zone.tzid).toBe('America/New_York');
    // what the library makes of our rules of the clock is what the browser's own table says
    const moment = start.toJSDate();
    const wall = new Intl.DateTimeFormat('en-GB', { timeZone: 'America/New_York', hour: '2-digit', minute: '2-digit' }).format(moment);
    expect(wall).toBe(`${String(start.hour).padStart(2, '0')}:${String(start.minute).padStart(2, '0')}`);
    await page.getByRole('button', { name: 'End it' }).first().click();
    expect((await page.request.get(new URL(address, baseURL).href)).status()).toBe(404);
});

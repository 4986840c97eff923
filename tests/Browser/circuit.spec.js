import AxeBuilder from '@axe-core/playwright';
import { expect, signIn, test } from './steps.js';

// Tab until the control is reached: nothing here uses the mouse.
const tabTo = async (page, locator) => {
    for (let i = 0; i < 220; i++) {
        if (await locator.evaluate((one) => one === document.activeElement)) {
            return;
        }
        await page.keyboard.press('Tab');
    }
    throw new Error('not reached by the keyboard');
};
const press = async (page, locator) => {
    await tabTo(page, locator);
    const gone = page.waitForEvent('framenavigated');
    await page.keyboard.press('Enter');
    await gone;
    await page.waitForLoadState();
};
const choose = async (page, label, option) => {
    const field = page.getByLabel(label, { exact: true });
    await tabTo(page, field);
    await field.selectOption({ label: option });
};

const newSite = async (page, name) => {
    await page.goto('/sites/new');
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.locator('input[value=K8]').check({ force: true });
    await page
        .getByRole('button', { name: /Begin|Create|Add/ })
        .first()
        .click();
    await page.waitForURL(/sites\/\d+/);
};

test('a changeover is drawn from an empty ladder by keyboard alone, broken, followed, repaired and played', async ({ page }) => {
    await signIn(page);
    await newSite(page, 'Ladder Lane');
    await page.locator('a[href*="/plan"]').first().click();
    await page.getByRole('link', { name: 'Control circuit' }).click();
    await press(page, page.getByRole('button', { name: 'Empty ladder' }));

    for (const [name, source] of [
        ['PF1', 'mains'],
        ['PF2', 'gen'],
    ]) {
        await press(page, page.getByRole('link', { name: 'Phase-failure relay', exact: true }));
        await choose(page, 'Watches', source);
        await press(page, page.getByRole('button', { name: 'Add device' }));
        await expect(page.getByRole('rowheader', { name, exact: true })).toBeVisible();
    }
    for (const [coil, source, relay] of [
        ['K1', 'mains', 'PF1'],
        ['K2', 'gen', 'PF2'],
    ]) {
        await choose(page, 'Coil', coil);
        await choose(page, 'Control voltage from', source);
        await press(page, page.getByRole('button', { name: 'Add rung' }));
        await choose(page, 'Contact of', `${relay}, normally open`);
        await press(page, page.getByRole('button', { name: 'Add contact at the end' }));
    }
    await press(page, page.getByRole('button', { name: 'Save and prove' }));
    await expect(page.getByText('Back-feed.')).toBeVisible();
    await expect(page.getByRole('heading', { name: /Counter-example/ })).toBeVisible();
    await press(page, page.locator('.counter-example a').first());
    await expect(page.locator('.counter-example a').first()).toHaveAttribute('aria-current', 'step');

    for (const coil of ['K1', 'K2']) {
        const proposal = page.locator('.repairs li', { hasText: `before coil ${coil}` }).getByRole('button');
        await press(page, proposal.first());
    }
    await expect(page.getByText('Back-feed.')).toHaveCount(0);
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);

    await press(page, page.getByRole('link', { name: 'In time' }));
    await press(page, page.getByRole('link', { name: 'mains loses L2' }));
    await expect(page.locator('.play-events')).toContainText('a phase is lost');
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    await press(page, page.getByRole('link', { name: 'Terminals' }));
    await expect(page.getByRole('heading', { name: 'Continuity, dead' })).toBeVisible();
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

const drawn = async (page, name, circuit) => {
    await signIn(page);
    await newSite(page, name);
    await page.locator('a[href*="/plan"]').first().click();
    await page.getByRole('link', { name: 'Control circuit' }).click();
    await page.getByRole('button', { name: circuit }).click();
    await expect(page.getByText('all searched')).toBeVisible();
};

test('a disturbance is moved on the strip, by keys and by hand, and the circuit is played anew', async ({ page }) => {
    await drawn(page, 'Strip Street', /Utility and generator, contactor pair/);
    await page.getByRole('link', { name: 'In time' }).click();
    await page.getByRole('link', { name: 'Own script' }).click();
    const loss = () => page.getByRole('slider', { name: /mains to … V/ });
    await expect(loss()).toHaveAttribute('aria-valuenow', '5');
    await loss().focus();
    await page.keyboard.press('PageUp');
    await page.keyboard.press('PageUp');
    await Promise.all([page.waitForURL(/at%5D=7/), page.keyboard.press('Enter')]);
    await expect(loss()).toHaveAttribute('aria-valuenow', '7');
    await expect(page.locator('.play-events')).toContainText('7.015 s');
    await page.waitForLoadState();
    await loss().locator('.block').hover();
    const box = await loss().locator('.block').boundingBox();
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2, { steps: 4 });
    await Promise.all([page.waitForEvent('framenavigated'), page.mouse.up()]);
    expect(Number(await loss().getAttribute('aria-valuenow'))).toBeGreaterThan(7);
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

test('what is drawn without a network waits on the device, over a reload, and is made once', async ({ page, context }) => {
    await drawn(page, 'Cellar Lane', /Utility and generator, contactor pair/);
    await page.getByRole('link', { name: 'Edit', exact: true }).click();
    await page.getByRole('link', { name: 'Lamp', exact: true }).click();
    const add = page.getByRole('button', { name: 'Add device' });
    await context.setOffline(true);
    await page.getByLabel('Name', { exact: true }).fill('H9');
    await add.click();
    await expect(page.getByText('One change waits on this device')).toBeVisible();
    await page.getByLabel('Name', { exact: true }).fill('H8');
    await add.click();
    await expect(page.getByText('2 changes wait on this device')).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByRole('rowheader', { name: 'H8', exact: true })).toHaveCount(1, { timeout: 15_000 });
    await expect(page.getByRole('rowheader', { name: 'H9', exact: true })).toHaveCount(1);
    await page.reload();
    await expect(page.getByRole('rowheader', { name: 'H9', exact: true })).toHaveCount(1);
    await expect(page.getByText('on this device')).toBeHidden();
});

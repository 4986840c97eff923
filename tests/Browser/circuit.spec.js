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
    await page.keyboard.press('Enter');
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
    await expect(page.locator('.play-events')).toContainText('PF1 trips: loss');
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    await press(page, page.getByRole('link', { name: 'Terminals' }));
    await expect(page.getByRole('heading', { name: 'Continuity, dead' })).toBeVisible();
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

import { expect, signIn, test } from './steps.js';

// Every kind of installation, from a new site to a signed report and the owner's page, by real forms: the short path.
const kinds = {
    K1: 'Whole house',
    K2: 'Chosen circuits',
    K3: 'Two full-size panels',
    K4: 'Plug-in switch box',
    K5: 'Mobile, one hot',
    K6: 'Mobile, two hots',
    K7: 'Three-phase, two supplies',
    K8: 'Three-phase, generator, contactors',
    K9: 'Three-phase, motor-driven',
    K10: 'House with factory control',
};
const isMobile = (kind) => ['K5', 'K6'].includes(kind);

for (const [kind, label] of Object.entries(kinds)) {
    test(`${kind} is surveyed, planned, set, rehearsed, timed, signed and handed over`, async ({ page }) => {
        const wrong = [];
        page.on('response', (response) => {
            if (response.status() >= 400) {
                wrong.push(`${response.status()} ${response.request().method()} ${response.url()}`);
            }
        });
        await signIn(page);

        await page.goto('/sites/new');
        await page.getByLabel('Name', { exact: true }).fill(`Walk ${kind} ${Date.now()}`);
        await page.locator('.kind', { hasText: label }).click();
        await page.getByRole('button', { name: 'Begin the survey' }).click();
        await expect(page.getByText(/is begun/)).toBeVisible();

        await test.step('survey, one save a page', async () => {
            await page.getByLabel('Service size').fill('100');
            await saveAndOn(page, 'Panels');
            await saveAndOn(page, 'Source');
            if ((await page.getByLabel('Fuel').count()) > 0) {
                await page.getByLabel('Fuel').selectOption('lp');
                await page.getByLabel('Rating on LP').fill('18');
            }
            await page.getByRole('button', { name: 'Save', exact: true }).click();
            await expect(page.getByText('Saved.')).toBeVisible();
            await subject(page, 'Place');
            await page.getByRole('button', { name: 'Save', exact: true }).click();
            await expect(page.getByText('Saved.')).toBeVisible();
            await subject(page, 'Loads');
            await page.getByText('From the library, many at once').click();
            for (const pick of (await page.locator('.typical-picks input').all()).slice(0, 3)) {
                await pick.check();
            }
            await page.getByRole('button', { name: 'Put them in' }).click();
            await expect(page.getByText('3 loads stand at the end')).toBeVisible();
            await page.getByRole('button', { name: 'Save the loads' }).click();
            await expect(page.getByText('Loads saved.')).toBeVisible();
        });

        const settings = await page.locator('a[href$="/settings"]').first().getAttribute('href');
        const at = (name) => settings.replace('/settings', `/${name}`);
        await test.step('settings', async () => {
            await page.goto(settings);
            await page.getByRole('button', { name: 'Save version 1' }).click();
            await expect(page.getByText('Version 1 is saved')).toBeVisible();
        });

        await test.step('plan', async () => {
            await page.goto(at('plan'));
            await page.getByRole('button', { name: 'Save the plan' }).click();
            await expect(page.getByText('The plan is saved.')).toBeVisible();
            for (const name of ['wires', 'landing', 'shedding', 'power-down', 'pack-list', ...(isMobile(kind) ? ['mobile'] : [])]) {
                await page.goto(at(name));
                await expect(page.locator('h1')).toBeVisible();
            }
            await page.goto(at('wires'));
            await page.getByRole('button', { name: 'Save the runs' }).click();
            await expect(page.locator('.field-error')).toHaveCount(0);
        });

        await test.step('rehearsal, and back', async () => {
            await page.goto(at('rehearsal'));
            const stories = page.locator('.stories > .choice > button');
            await stories.nth(Math.min(1, (await stories.count()) - 1)).click();
            await expect(page.locator('.strip')).toBeVisible();
            await page.goBack();
            await expect(page.locator('.strip')).toBeVisible();
        });

        await test.step('the outage is timed and signed', async () => {
            await page.goto(at('commission'));
            const device = isMobile(kind)
                ? null
                : await page
                      .locator('.missing b')
                      .first()
                      .textContent()
                      .catch(() => null);
            await page.getByRole('button', { name: /begin a run/ }).click();
            const watch = page.locator('[data-watch]');
            await expect(watch).toHaveAttribute('data-run-id', /\d+/);
            if (device) {
                await expect(page.locator('main')).toContainText(device);
            }
            const mark = page.getByRole('button', { name: /^Mark: / });
            await expect(mark).toBeVisible();
            for (let presses = 0; presses < 12 && (await mark.isVisible()); presses++) {
                await mark.click();
                await page.waitForTimeout(450); // the button rests, so that a finger that bounces marks once
            }
            await expect(page.getByText('All sent.')).toBeVisible();
            await page.getByRole('button', { name: /^Sign the run/ }).click();
            await expect(page.getByText('Signed. The run is closed')).toBeVisible();
            await expect(page.locator('main')).toContainText('chain whole');
            await expect(page.locator('.summary')).toContainText('Not proved by this run');
            if (device) {
                await expect(page.locator('main')).toContainText(device);
            }
        });

        await test.step('the owner reads it', async () => {
            await page.getByRole('button', { name: 'Make a link' }).click();
            const link = await page.locator('.shown-once b').textContent();
            await page.goto(new URL(link).pathname);
            await expect(page.getByRole('heading', { name: /how it behaves/ })).toBeVisible();
            await expect(page.locator('main')).toContainText('+1 555 0142');
            if (isMobile(kind)) {
                await expect(page.locator('main')).not.toContainText('by itself for');
            }
        });
        expect(wrong).toEqual([]);
    });
}

async function saveAndOn(page, next) {
    await page.getByRole('button', { name: 'Save, and on' }).click();
    await expect(page.locator('.subjects [aria-current=page]')).toContainText(next);
}

async function subject(page, name) {
    await page.locator('.subjects a', { hasText: name }).click();
    await expect(page.locator('.subjects [aria-current=page]')).toContainText(name);
}

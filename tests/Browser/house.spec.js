import { beginRun, expect, newHouse, signIn, test } from './steps.js';

test('one house, from survey to a signed timing report', async ({ page }) => {
    await signIn(page);
    const settings = await newHouse(page, `Errand Lane ${Date.now()}`);

    await test.step('a setting is changed, and the older version stays', async () => {
        await page.getByRole('textbox', { name: 'Return delay' }).fill('120');
        await page.getByText('is left', { exact: true }).click();
        await page.getByRole('button', { name: 'Save version 2' }).click();
        await expect(page.getByRole('heading', { name: 'Settings, version 2' })).toBeVisible();
        await page.getByRole('button', { name: 'Show the difference' }).click();
        await expect(page.getByRole('row', { name: /Return delay/ })).toContainText('2:00.0');
    });

    await test.step('it is rehearsed, and one delay is turned', async () => {
        await page.goto(settings.replace('/settings', '/rehearsal'));
        await expect(page.locator('.figures')).toContainText('21.0');
        await page.getByRole('textbox', { name: /Start delay/ }).fill('8');
        await page.getByRole('textbox', { name: /Start delay/ }).press('Tab');
        await expect(page.locator('.figures')).toContainText('+3.0');
        await expect(page.locator('.ghost').first()).toBeAttached();
    });

    await test.step('a delay is taken by its grip, with the mouse and by key', async () => {
        const grip = page.getByRole('slider', { name: 'Start delay' });
        const box = await grip.locator('.block').boundingBox();
        await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
        await page.mouse.down();
        await page.mouse.move(box.x + 60, box.y + 4, { steps: 5 });
        const played = page.waitForResponse(/rehearsal$/);
        await page.mouse.up();
        await played;
        await expect(page.locator('#turn [name=ghost]')).not.toHaveValue(/start_delay_ms":"8"/);
        await expect(page.getByRole('textbox', { name: /Start delay/ })).not.toHaveValue('8');
        await page.getByRole('textbox', { name: /Start delay/ }).fill('5');
        await page.getByRole('textbox', { name: /Start delay/ }).press('Tab');
        await expect(page.locator('.turn-row.is-changed')).toHaveCount(0);
        await page.getByRole('slider', { name: 'Start delay' }).focus();
        await page.keyboard.press('PageUp');
        await page.keyboard.press('ArrowRight');
        await page.keyboard.press('Enter');
        await expect(page.getByRole('textbox', { name: /Start delay/ })).toHaveValue('6.1');
        await expect(page.locator('.figures')).toContainText('+1.1');
    });

    await test.step('the cursor goes from event to event and says why', async () => {
        const strip = page.getByRole('slider', { name: /Time cursor/ });
        await strip.focus();
        await page.keyboard.press('Home');
        await page.keyboard.press('ArrowRight');
        await expect(page.locator('#cursor-clock')).toHaveText('0:10.0');
        await page.keyboard.press('ArrowRight');
        await expect(page.locator('.events .now')).toContainText('Utility declared lost');
        await expect(strip).toHaveAttribute('aria-valuetext', /0:10\.5: Utility declared lost/);
        await page.keyboard.press('Shift+ArrowRight');
        await expect(page.locator('#cursor-clock')).toHaveText('0:10.6');
        const box = await page.locator('.strip-plot').boundingBox();
        await page.mouse.click(box.x + box.width / 2, box.y + 100);
        await expect(page.locator('#cursor-clock')).not.toHaveText('0:10.6');
    });

    await test.step('it is timed, signed and reported', async () => {
        await beginRun(page, settings);
        for (const mark of ['utility off', 'start signal', 'generator good', 'load on G']) {
            await page.getByRole('button', { name: `Mark: ${mark}` }).click();
            await page.waitForTimeout(450);
        }
        await page.getByRole('button', { name: /Undo/ }).click();
        await expect(page.getByText('struck out')).toBeVisible();
        await expect(page.getByText('All sent.')).toBeVisible();
        const judged = page.waitForResponse(/\/verdict$/);
        await page.getByRole('button', { name: 'Mark: load on G' }).click();
        await judged;
        await expect(page.getByText('All sent.')).toBeVisible();
        await expect(page.locator('#verdict')).toContainText('early');
        await page.locator('.sign-pad').scrollIntoViewIfNeeded();
        const pad = await page.locator('.sign-pad').boundingBox();
        await page.mouse.move(pad.x + 30, pad.y + 40);
        await page.mouse.down();
        await page.mouse.move(pad.x + 90, pad.y + 80, { steps: 4 });
        await page.mouse.up();
        await expect(page.locator('.sign-pad path').last()).toHaveAttribute('d', /^M\d+ \d+L/);
        await page.getByRole('button', { name: /^Sign the run/ }).click();
        await expect(page.getByText('Signed. The run is closed')).toBeVisible();
        await expect(page.locator('.sign-pad path')).toHaveAttribute('d', /^M\d+ \d+L/);
        const pdf = await page.request.get(page.url() + '.pdf');
        expect(pdf.headers()['content-type']).toBe('application/pdf');
    });
});

test('a bad setting is reported at its field and the rest is kept', async ({ page }) => {
    await signIn(page);
    await newHouse(page, `Fault Row ${Date.now()}`);
    await page.getByRole('textbox', { name: 'Utility under-voltage pick-up' }).fill('70');
    await page.getByRole('textbox', { name: 'Cool-down' }).fill('99');
    await page.getByRole('button', { name: 'Save version 2' }).click();
    await expect(page.getByText('Pick-up must be above drop-out. 70 % is not above 80 %.')).toBeVisible();
    await expect(page.getByRole('textbox', { name: 'Cool-down' })).toHaveValue('99');
});

test('without script the rehearsal still plays', async ({ browser }) => {
    const context = await browser.newContext({ javaScriptEnabled: false, baseURL: process.env.ESCAPEMENT_URL });
    const page = await context.newPage();
    await signIn(page);
    await page
        .locator('.sites')
        .getByRole('link', { name: /Juniper Row 14/ })
        .click();
    await page
        .getByRole('link', { name: /^Rehearsal/ })
        .first()
        .click();
    await page.getByRole('button', { name: 'Blink', exact: true }).click();
    await expect(page.locator('.figures')).toContainText('Starts avoided 1');
    await page.getByLabel('Start delay').fill('0');
    await page.getByRole('button', { name: 'Run scenario' }).click();
    await expect(page.locator('.figures')).toContainText('Nuisance starts 1');
    await context.close();
});

test('the board is narrowed, the view kept under a name, and forgotten again', async ({ page }) => {
    await signIn(page);
    const rows = page.locator('.sites tbody tr');
    const all = await rows.count();
    await page.getByLabel('Show').selectOption('Stops');
    await expect.poll(() => rows.count()).toBeLessThan(all);
    await expect(page).toHaveURL(/show=stop/);
    await page.getByLabel('by', { exact: true }).selectOption('Name');
    await expect(page).toHaveURL(/sort=name/);
    await page.getByLabel('Keep this view as').fill('Stops by name');
    await page.getByRole('button', { name: 'Keep' }).click();
    await page.getByRole('link', { name: 'Board', exact: true }).click();
    await expect.poll(() => rows.count()).toBe(all);
    await page.getByRole('link', { name: 'Stops by name' }).click();
    await expect.poll(() => rows.count()).toBeLessThan(all);
    await expect(page.getByLabel('Show')).toHaveValue('stop');
    await page.getByRole('button', { name: 'Forget the view Stops by name' }).click();
    await expect(page.getByRole('link', { name: 'Stops by name' })).toHaveCount(0);
    const box = page.getByRole('searchbox', { name: 'Find a site' });
    await expect(async () => {
        // the page of before may still be going: a key counts once the new one listens
        await page.keyboard.press('/');
        await expect(box).toBeFocused({ timeout: 500 });
    }).toPass();
    await box.fill('Juniper');
    await expect.poll(() => rows.count()).toBe(1);
});

test('many pictures go to the places that their names say, and one without a place waits', async ({ page }) => {
    await signIn(page);
    await page.goto('/pictures');
    const jpeg = await page.evaluate(async () => {
        const canvas = Object.assign(document.createElement('canvas'), { width: 60, height: 40 });
        canvas.getContext('2d').fillRect(0, 0, 30, 20);
        const blob = await new Promise((resolve) => {
            canvas.toBlob(resolve, 'image/jpeg');
        });
        return [...new Uint8Array(await blob.arrayBuffer())];
    });
    const file = (name) => ({ name, mimeType: 'image/jpeg', buffer: Buffer.from(jpeg) });
    await page.getByLabel('Pictures', { exact: true }).setInputFiles([file('Juniper Row 14 panel.jpg'), file('IMG_0001.jpg')]);
    await expect(page.getByLabel('Juniper Row 14 panel.jpg: where it belongs')).toHaveValue('Juniper Row 14, Q1');
    await expect(page.getByLabel('Juniper Row 14 panel.jpg: what it shows')).toHaveValue('panels');
    await expect(page.getByText('1 without a place')).toBeVisible();
    await page.getByRole('button', { name: 'Send 1 picture' }).click();
    await expect(page.getByText('1 of 2 are kept.')).toBeVisible();
    await page.getByLabel('IMG_0001.jpg: where it belongs').fill('Juniper Row 14, Q1');
    await page.getByLabel('IMG_0001.jpg: where it belongs').press('Tab');
    await page.getByRole('button', { name: 'Send 1 picture' }).click();
    await expect(page.locator('tbody tr').last()).toContainText('there already'); // the same picture under another name
});

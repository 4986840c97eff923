import { beginRun, expect, goOffline, goOnline, newHouse, signIn, test } from './steps.js';

/** Answers the first step and holds its request; what is returned lets it go on. */
async function answerOnTheWay(page, now) {
    let letGo;
    const held = new Promise((resolve) => {
        letGo = resolve;
    });
    await page.route('**/answers', async (route) => {
        await held;
        await route.continue();
    });
    await now.getByRole('button', { name: 'Matches' }).click();
    await expect(now.getByRole('heading')).toHaveText('Keep the engine from starting, as its maker says');
    return letGo;
}
const answered = (page) => page.locator('#procedure .head b');

test('a procedure goes on in the basement, past a reload, and is whole when the network is back', async ({ page, context }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Cellar Lane ${Date.now()}`));
    await page.goto(`${run}/procedure`);
    await page.evaluate(async () => {
        await navigator.serviceWorker.ready;
    });
    await page.reload();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();

    const now = page.locator('.now:not([hidden])');
    await expect(now.getByRole('heading')).toHaveText('Say aloud what will happen');
    await now.getByRole('button', { name: 'Matches' }).click();
    await expect(now.getByRole('heading')).toHaveText('Keep the engine from starting, as its maker says');
    await expect(answered(page)).toContainText('1 of');

    await goOffline(context);
    await now.getByRole('button', { name: 'Matches' }).click();
    await expect(page.getByText('1 to send')).toBeVisible();
    for (let steps = 0; steps < 12 && (await now.getByRole('heading').textContent()) !== 'Prove dead'; steps++) {
        await now.getByLabel(/^Note/).fill('Tagged, TS-14.');
        await now.getByRole('button', { name: 'Matches' }).click();
        await page.waitForTimeout(150);
    }
    await expect(now.getByRole('heading')).toHaveText('Prove dead');

    await test.step('not dead: nothing behind it opens, not even without a network', async () => {
        await now.getByRole('button', { name: 'Does not match' }).click();
        await expect(now.getByRole('alert').last()).toContainText('a note is needed');
        await now.getByLabel(/^Note/).fill('L2 shows 118 V');
        await now.getByRole('button', { name: 'Does not match' }).click();
        await expect(now.getByRole('heading')).toHaveText('Prove dead');
        await expect(now.getByLabel(/^Note/)).toHaveValue('');
        await now.getByRole('button', { name: 'Matches' }).click();
        await expect(now.getByRole('heading')).toHaveText('Exhaust, alarms and clearances');
    });

    await page.reload();
    await expect(now.getByRole('heading')).toHaveText('Exhaust, alarms and clearances');
    await expect(page.getByText('Saved on this device')).toBeVisible();
    await goOnline(context);
    await expect(page.getByText('All sent.')).toBeVisible();
    await expect(page.locator('[data-item="isolate/proved-dead"]')).toContainText('done');
    await expect(page.locator('[data-item="isolate/proved-dead"]')).toContainText('L2 shows 118 V');
    const count = await page.locator('[data-item^="isolate/"] .step-state').count();
    await expect(answered(page)).toContainText(`${count} of`);
});

test('pictures taken without a network survive a reload and arrive over a connection that drops', async ({ page, context }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Lens Lane ${Date.now()}`));
    await page.goto(`${run}/procedure`);
    await page.evaluate(async () => {
        await navigator.serviceWorker.ready;
    });
    await page.reload();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();
    await goOffline(context);
    const now = page.locator('.now:not([hidden])');
    const picture = await page.evaluate(
        () =>
            new Promise((resolve) => {
                const canvas = Object.assign(document.createElement('canvas'), { width: 2400, height: 1200 });
                canvas.getContext('2d').fillRect(10, 10, 400, 400);
                canvas.toBlob(async (blob) => resolve([...new Uint8Array(await blob.arrayBuffer())]), 'image/jpeg');
            }),
    );
    const file = { name: 'lug.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(picture) };
    await now.locator('input[type=file]').setInputFiles([file, file, file]);
    await expect(now.locator('[data-picture]')).toHaveCount(3);
    await expect(page.getByText('3 to send')).toBeVisible();
    await page.reload();
    await expect(page.locator('.now:not([hidden]) [data-picture]')).toHaveCount(3);

    let tries = 0;
    const heard = [];
    await page.route('**/photos', (route) => {
        tries += 1;
        if (tries % 2 === 1) {
            return route.abort();
        }
        heard.push(route.request().postDataBuffer().length);
        return route.continue();
    });
    await goOnline(context);
    await expect(page.getByText('All sent.')).toBeVisible({ timeout: 60_000 });
    expect(heard).toHaveLength(3);
    await expect(page.locator('[data-item="isolate/briefing"]')).toContainText('3 pictures');
    await page.reload();
    const shown = await page
        .locator('.now:not([hidden]) [data-picture] img')
        .first()
        .evaluate((image) => image.decode().then(() => [image.naturalWidth, image.naturalHeight]));
    expect(shown).toEqual([320, 160]);
});

test('what is being typed into a step outlasts an answer that arrives meanwhile', async ({ page }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Typist Lane ${Date.now()}`));
    await page.goto(`${run}/procedure`);
    const now = page.locator('.now:not([hidden])');
    const letGo = await answerOnTheWay(page, now);
    await now.getByLabel(/^Note/).fill('Selector has no off position');
    letGo();
    await expect(page.getByText('All sent.')).toBeVisible();
    await expect(answered(page)).toContainText('1 of');
    await expect(now.getByLabel(/^Note/)).toHaveValue('Selector has no off position');
    await expect(now.getByLabel(/^Note/)).toBeFocused();
});

test('a camera that is open while an answer arrives loses no picture', async ({ page }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Shutter Lane ${Date.now()}`));
    await page.goto(`${run}/procedure`);
    const now = page.locator('.now:not([hidden])');
    const letGo = await answerOnTheWay(page, now);
    const [camera] = await Promise.all([page.waitForEvent('filechooser'), now.locator('.now-camera').click()]);
    letGo();
    await expect(answered(page)).toContainText('1 of');
    await camera.setFiles({
        name: 'lug.svg',
        mimeType: 'image/png',
        buffer: Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64'),
    });
    await expect(now.locator('[data-picture]')).toHaveCount(1);
    await expect(page.getByText('All sent.')).toBeVisible();
    await expect(page.locator('[data-item="isolate/block-engine"]')).toContainText('1 picture');
    await expect(now.getByRole('heading')).toHaveText('Keep the engine from starting, as its maker says');
});

test('the owner draws a name at the end, and the report shows it', async ({ page }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Owner Lane ${Date.now()}`));
    await page.goto(`${run}/procedure`);
    const step = page.locator('[data-step="clean_up/sign-owner"]');
    await page.evaluate(async () => {
        const answers = [...document.querySelectorAll('[data-step]')]
            .filter(({ dataset }) => dataset.step !== 'clean_up/sign-owner')
            .map(({ dataset }) => ({
                id: crypto.randomUUID(),
                step: dataset.step,
                so: true,
                note: 'By the test.',
                name: 'Ana Quist',
                ...(dataset.kind === 'measure' ? { value: Number(dataset.min || dataset.max || 1) } : {}),
                ...(dataset.kind === 'choose' ? { choice: dataset.wanted } : {}),
            }));
        await fetch(document.querySelector('[data-send-to]').dataset.sendTo, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', 'X-CSRF-TOKEN': document.querySelector('meta[name=csrf-token]').content },
            body: JSON.stringify({ answers }),
        });
    });
    await page.reload();
    await expect(step).toBeVisible();
    await step.getByLabel('Name').fill('');
    await step.getByRole('button', { name: 'Signed' }).click();
    await expect(step.getByRole('alert').last()).toContainText('name of the person');
    await step.getByLabel('Name').fill('Ida Lind');
    const pad = await step.locator('.sign-pad').boundingBox();
    await page.mouse.move(pad.x + 30, pad.y + 60);
    await page.mouse.down();
    await page.mouse.move(pad.x + 120, pad.y + 30);
    await page.mouse.move(pad.x + 160, pad.y + 70);
    await page.mouse.up();
    const sent = page.waitForResponse((response) => response.request().method() === 'POST' && response.ok());
    await step.getByRole('button', { name: 'Signed' }).click();
    await sent; // "All sent." may still be the answer to what was sent before
    await expect(page.getByText('All sent.')).toBeVisible();
    await page.goto(`${run}/report`);
    await expect(page.getByRole('img', { name: 'Signature of Ida Lind' }).locator('path')).toHaveAttribute('d', /^M\d+ \d+L/);
});

test('what was answered and sent is corrected without a network', async ({ page, context }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Second Thought Lane ${Date.now()}`));
    await page.goto(`${run}/procedure`);
    const now = page.locator('.now:not([hidden])');
    await now.getByRole('button', { name: 'Matches' }).click();
    await expect(answered(page)).toContainText('1 of');
    await expect(page.getByText('All sent.')).toBeVisible();

    await goOffline(context);
    await page.locator('[data-item="isolate/briefing"]').getByRole('link').click();
    await expect(now.getByRole('heading')).toHaveText('Say aloud what will happen');
    await expect(now).toContainText('Answered: as expected');
    await now.getByLabel(/^Note/).fill('The cook came in later');
    await now.getByRole('button', { name: 'Does not match' }).click();
    await expect(page.getByText('1 to send')).toBeVisible();
    await expect(now.getByRole('heading')).toHaveText('Say aloud what will happen'); // it is open again, and first
    await now.getByRole('button', { name: 'Matches' }).click();
    await expect(now.getByRole('heading')).toHaveText('Keep the engine from starting, as its maker says');

    await goOnline(context);
    await expect(page.getByText('All sent.')).toBeVisible();
    await expect(page.locator('[data-item="isolate/briefing"]')).toContainText('The cook came in later');
    const stored = await (await page.request.get(`${run}/report.json`)).json();
    expect(stored.record.entries.filter(({ kind }) => kind === 'answer').map(({ what }) => what.given.so)).toEqual([true, false, true]);
});

test('a step that was gone to by the list stays, whatever arrives meanwhile', async ({ page }) => {
    await signIn(page);
    const run = await beginRun(page, await newHouse(page, `Patient Lane ${Date.now()}`));
    await page.goto(`${run}/procedure`);
    const now = page.locator('.now:not([hidden])');
    const letGo = await answerOnTheWay(page, now);
    await page.locator('[data-item="isolate/briefing"]').getByRole('link').click();
    await page.getByRole('heading', { name: 'Procedure' }).click(); // nothing is in hands any more
    letGo();
    await expect(answered(page)).toContainText('1 of');
    await expect(now.getByRole('heading')).toHaveText('Say aloud what will happen');
    await expect(now).toContainText('Answered: as expected');
});

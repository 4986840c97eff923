// What the benchmarks of the field share: a phone that is signed in to the demo data, and a picture as its camera makes it.
import { chromium } from '@playwright/test';

/** @returns {Promise<{browser: import('@playwright/test').Browser, context: import('@playwright/test').BrowserContext,
 *     page: import('@playwright/test').Page}>} on the board, signed in */
export async function phone(base) {
    const browser = await chromium.launch({
        executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
        args: ['--no-sandbox', '--disable-quic'],
    });
    const context = await browser.newContext({ baseURL: base, viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    await page.goto('/login');
    await page.getByLabel('Address').fill('rosa@lantern.example');
    await page.getByLabel('Password').fill('lantern-demo');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL((url) => url.pathname === '/');

    return { browser, context, page };
}

/** A JPEG of this size, full of detail, so that it does not shrink to nothing. */
export async function picture(page, width, height) {
    return Buffer.from(
        await page.evaluate(
            ([width, height]) =>
                new Promise((resolve) => {
                    const canvas = Object.assign(document.createElement('canvas'), { width, height });
                    const pen = canvas.getContext('2d');
                    for (let i = 0; i < 20_000; i++) {
                        pen.fillStyle = `hsl(${(i * 37) % 360} 60% ${i % 90}%)`;
                        pen.fillRect((i * 1009) % width, (i * 757) % height, width / 100, height / 100);
                    }
                    canvas.toBlob(async (blob) => resolve([...new Uint8Array(await blob.arrayBuffer())]), 'image/jpeg');
                }),
            [width, height],
        ),
    );
}

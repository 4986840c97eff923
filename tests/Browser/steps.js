import { expect, test as base } from '@playwright/test';

/** What a browser says of a network that the test cut off, or of an answer that is meant to be refused. */
const EXPECTED = [
    'status of 4',
    'status of 502',
    'ERR_INTERNET_DISCONNECTED',
    'ERR_FAILED',
    'ERR_CONNECTION_REFUSED',
    'ERR_CONNECTION_FAILED',
    'ERR_EMPTY_RESPONSE',
    'Failed to fetch',
];

/** A page whose console stays empty, but for the 4xx and network errors that a test provokes on purpose. */
export const test = base.extend({
    page: async ({ page }, use) => {
        const complaints = [];
        page.on('console', (message) => {
            if (message.type() === 'error' && !EXPECTED.some((words) => message.text().includes(words))) {
                complaints.push(message.text());
            }
        });
        page.on('pageerror', (error) => complaints.push(error.message));
        await use(page);
        expect(complaints).toEqual([]);
    },
});
export { expect };

const signedIn = new Map();

/** Through the form the first time, then with the cookies of that time: the form takes a few attempts a minute, as it should. */
export async function signIn(page, email = 'rosa@lantern.example') {
    if (signedIn.has(email)) {
        await page.context().addCookies(signedIn.get(email));
        await page.goto('/');
    } else {
        await page.goto('/login');
        await page.getByLabel('Address').fill(email);
        await page.getByLabel('Password').fill('lantern-demo');
        await page.getByRole('button', { name: 'Sign in' }).click();
    }
    await expect(page.getByRole('heading', { name: 'Sites' })).toBeVisible();
    signedIn.set(email, await page.context().cookies());
}

/** A new house with a first version of its sheet; returns the address of its settings. */
export async function newHouse(page, name) {
    await page.goto('/sites/new');
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.getByRole('button', { name: 'Begin the survey' }).click();
    await expect(page.getByText(`${name} is begun`)).toBeVisible();
    // Who opens upstream is known: else nothing behind a cover is planned.
    await page.getByText('only the utility', { exact: true }).first().click();
    await page.getByText('not required', { exact: true }).first().click();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('Saved.')).toBeVisible();
    await page.goto(await page.locator('a[href$="/settings"]').first().getAttribute('href'));
    await page.getByRole('button', { name: 'Save version 1' }).click();
    await expect(page.getByText('Version 1 is saved')).toBeVisible();
    return page.url();
}

export async function beginRun(page, settingsUrl) {
    await page.goto(settingsUrl.replace('/settings', '/commission'));
    await page.getByRole('button', { name: /begin a run/ }).click();
    await expect(page.getByRole('button', { name: 'Mark: utility off' })).toBeVisible();
    return page.url();
}

const SENT = /\/runs\/\d+\/(marks|answers|photos)$/;
const refuse = (route) => route.abort('internetdisconnected');

/** No network, past a reload too: while a page is loaded anew the browser itself lets a request slip out. */
export async function goOffline(context) {
    await context.route(SENT, refuse);
    await context.setOffline(true);
}

export async function goOnline(context) {
    await context.unroute(SENT, refuse);
    await context.setOffline(false);
}

import { defineConfig } from '@playwright/test';

// The server and its database are started by bin/test; nothing here fetches a browser.
export default defineConfig({
    testDir: 'tests/Browser',
    outputDir: 'var/browser',
    timeout: 120_000,
    retries: 0,
    workers: 1,
    reporter: [['list']],
    expect: { timeout: 20_000 },
    use: {
        actionTimeout: 20_000,
        baseURL: process.env.ESCAPEMENT_URL,
        launchOptions: {
            executablePath: process.env.CHROMIUM,
            args: [
                '--no-sandbox',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
        screenshot: 'only-on-failure',
    },
});

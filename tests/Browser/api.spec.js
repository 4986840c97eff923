import { expect, test } from '@playwright/test';
import Ajv from 'ajv/dist/2020.js';
import { signIn } from './steps.js';

/**
 * A client made from the description alone: a function for each operation, which refuses a body that the schema refuses, and an
 * answer that is not as it was described.
 */
async function clientOf(request, token) {
    const description = await (await request.get('/api/v1/openapi.json')).json();
    const ajv = new Ajv({ strict: false, validateFormats: false });
    ajv.addSchema(description, 'api');
    const valid = (schema) => ajv.compile(JSON.parse(JSON.stringify(schema).replaceAll('"#/', '"api#/')));
    const client = {};
    for (const [path, operations] of Object.entries(description.paths)) {
        for (const [method, operation] of Object.entries(operations)) {
            const body = operation.requestBody?.content['application/json'].schema;
            const inDescription = body && valid(body);
            client[operation.operationId] = async ({ data, headers = {}, ...values } = {}) => {
                if (inDescription && !inDescription(data)) {
                    throw new Error(ajv.errorsText(inDescription.errors));
                }
                const url = path.replaceAll(/\{(\w+)\}/g, (_, name) => values[name]);
                const answer = await request.fetch(description.servers[0].url + url, {
                    method,
                    data,
                    headers: { authorization: `Bearer ${token}`, ...headers },
                });
                const told = operation.responses[answer.ok() ? answer.status() : '4XX'];
                expect(told, `${method} ${path} ${answer.status()}`).toBeDefined();
                const shape = told.content?.['application/json'].schema;
                const isAsTold = shape ? valid(shape) : () => true;
                expect(isAsTold(await answer.json()), `${path}: ${ajv.errorsText(isAsTold.errors)}`).toBe(true);
                return answer;
            };
        }
    }
    return client;
}

test('a program with a token of the account page runs an errand by the description', async ({ page, playwright, baseURL }) => {
    await signIn(page);
    await page.goto('/account');
    await page.getByLabel('Which program').fill('errand');
    for (const words of [/^Read/, /^Write/, /^Calculate/]) {
        await page.getByRole('checkbox', { name: words }).check();
    }
    await page.getByLabel('Your password').last().fill('wrong');
    await page.getByRole('button', { name: 'Make a token' }).click();
    await expect(page.getByText('This is not your password.')).toBeVisible();
    await expect(page.getByLabel('Which program')).toHaveValue('errand');
    await page.getByLabel('Your password').last().fill('lantern-demo');
    await page.getByRole('button', { name: 'Make a token' }).click();
    const token = await page.locator('.token').innerText();

    const request = await playwright.request.newContext({ baseURL });
    const client = await clientOf(request, token);
    const key = { 'idempotency-key': `errand-${Date.now()}` };
    const data = { name: 'Errand Row 1', timezone: 'UTC', units: 'metric', installation: 'K2' };
    const site = await (await client.addSite({ data, headers: key })).json();
    expect(await (await client.addSite({ data, headers: key })).json()).toEqual(site);
    expect((await (await client.showSite({ site: site.id })).json()).name).toBe('Errand Row 1');
    await expect(client.addSite({ data: { name: 'no units' } })).rejects.toThrow(/required/);

    const sites = (await (await client.listSites()).json()).data;
    const ofKind = new Map(sites.filter((one) => one.switches.length > 0).map((one) => [one.installation, one.switches[0].id]));
    expect(ofKind.size).toBeGreaterThan(8); // sixty calculations a minute for a token: one site of each kind
    for (const id of ofKind.values()) {
        // what is exported goes into its calculation, for every kind of installation
        const { sheets } = await (await client.showSwitch({ switch: id })).json();
        if (sheets.length > 0) {
            const sheet = await (await client.showSheet({ switch: id, version: sheets[0].version })).json();
            const check = await (await client.calc_settings_check({ data: sheet.check })).json();
            expect(Array.isArray(check.findings)).toBe(true);
        }
        const plan = await (await client.showPlan({ switch: id })).json();
        expect((await client.calc_topology({ data: plan.topology })).ok()).toBe(true);
        expect((await client.calc_bonding({ data: plan.bonding })).ok()).toBe(true);
        expect((await client.showLogbook({ switch: id })).ok()).toBe(true);
        for (const run of (await (await client.listRuns({ switch: id })).json()).data) {
            expect((await client.showRun({ run: run.id })).ok()).toBe(true);
        }
    }
    const { id } = sites.find((one) => one.name.startsWith('Juniper')).switches[0];
    const run = await (await client.addRun({ switch: id, data: { hazards_read: true } })).json();
    const mark = { id: crypto.randomUUID(), event: 'utility_off', at_ms: 1200 };
    for (const _ of [1, 2]) {
        await client.takeMarks({ run: run.id, data: { marks: [mark] } });
    }
    const exported = await (await client.showRun({ run: run.id })).json();
    expect(exported.marks.map((one) => one.id)).toEqual([mark.id]);
    const { loads } = await (await client.showLoads({ switch: id })).json();
    expect(loads.length).toBeGreaterThan(3);
    expect((await (await client.saveLoads({ switch: id, data: { loads, sure: true } })).json()).loads).toEqual(loads);
    const asked = await client.saveSurvey({ switch: id, subject: 'service', data: { answers: {} } });
    expect((await asked.json()).id).toBe(id);
    const test = await (await client.addLoadTest({ switch: id, data: { profile: 'custom', steps: '30 × 15' } })).json();
    const reading = { id: crypto.randomUUID(), taken_at: new Date().toISOString(), v: [120, 120], a: [30, 31], hz: 60 };
    expect((await (await client.takeReadings({ test: test.id, data: { readings: [reading] } })).json()).kept).toEqual([reading.id]);
    expect((await (await client.showLoadTest({ test: test.id })).json()).readings).toHaveLength(1);
    const shut = await client.showRun({ run: 999999999 });
    expect(shut.headers()['content-type']).toBe('application/problem+json');

    await page.goto('/account');
    await page.locator('li', { hasText: 'errand' }).getByRole('button', { name: 'End' }).click();
    expect((await client.listSites()).status()).toBe(401);
    await request.dispose();
});

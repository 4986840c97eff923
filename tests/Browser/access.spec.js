import AxeBuilder from '@axe-core/playwright';
import { expect, signIn, test } from './steps.js';

const views = {
    board: '/',
    'new site': '/sites/new',
    survey: '/sites/1',
    'survey, placement': '/sites/3?on=place',
    'survey, loads': '/sites/1?on=loads',
    'survey, photos': '/sites/1?on=photos',
    'typical loads': '/library/loads',
    shedding: '/switches/1/shedding',
    'faults on the plan': '/switches/1/plan?fault=1',
    landing: '/switches/3/landing',
    batteries: '/switches/5/mobile',
    'pack list': '/switches/1/pack-list',
    settings: '/switches/4/settings',
    difference: '/switches/1/settings/difference',
    plan: '/switches/1/plan',
    wires: '/switches/1/wires',
    'power-down': '/switches/1/power-down',
    'by hand': '/switches/1/by-hand?story=fuel',
    circuit: '/switches/8/circuit',
    'circuit, editor': '/switches/8/circuit/edit?at=r3:0',
    'circuit, in time': '/switches/4/circuit/play?story=weld',
    'circuit, terminals': '/switches/4/circuit/terminals',
    'outgoing ways': '/switches/6/ways',
    meters: '/switches/6/meters?reading=1',
    fleet: '/fleet',
    'load test': '/load-tests/6',
    'load test, reading': '/load-tests/6/read',
    'load test, report': '/load-tests/9/report',
    equipment: '/equipment',
    calendar: '/calendar',
    visits: '/visits',
    'my day': '/my-day',
    schedule: '/switches/1/schedule',
    'service visit': '/switches/4/service',
    'report of a service': '/runs/8/report',
    bench: '/switches/1/bench',
    'settings on the device': '/switches/6/bench/settings',
    'marks of the device': '/runs/1/device',
    logbook: '/switches/1/logbook',
    library: '/library',
    seasons: '/switches/1/season',
    rehearsal: '/switches/3/rehearsal',
    runs: '/switches/1/commission',
    stopwatch: '/runs/3',
    procedure: '/runs/3/procedure',
    'procedure as a sheet': '/runs/3/sheet',
    report: '/runs/2/report',
    account: '/account',
};

for (const scheme of ['light', 'dark']) {
    test(`no serious barrier on any main view, ${scheme}`, async ({ browser }) => {
        test.setTimeout(360_000); // a scan of two dozen pages, on a busy machine
        const context = await browser.newContext({
            colorScheme: scheme,
            baseURL: process.env.ESCAPEMENT_URL,
            viewport: { width: 1280, height: 800 },
        });
        const page = await context.newPage();
        await signIn(page);
        for (const [name, address] of Object.entries(views)) {
            expect((await page.goto(address)).status(), name).toBe(200);
            const axe = new AxeBuilder({ page });
            // In the dark only the colours are other.
            const { violations } = await (
                scheme === 'light' ? axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa']) : axe.withRules(['color-contrast'])
            ).analyze();
            const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
            expect(serious.map(({ id, nodes }) => `${name}: ${id} ${nodes[0].html.slice(0, 160)}`)).toEqual([]);
        }
        await context.close();
    });
}

test('no page is wider than a phone, and no text on it smaller than 15 px', async ({ browser }) => {
    test.setTimeout(240_000);
    const context = await browser.newContext({ baseURL: process.env.ESCAPEMENT_URL, viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    await signIn(page);
    for (const [name, address] of Object.entries(views)) {
        await page.goto(address);
        expect(await page.evaluate(() => document.documentElement.scrollWidth), name).toBeLessThanOrEqual(390);
        expect(await page.evaluate(tooSmall), name).toEqual([]);
        expect(await page.evaluate(cutOff), name).toEqual([]);
    }
    await context.close();
});

/** Runs in the page: tables that are set as blocks on a phone and still do not fit it, and cells of theirs without their heading. */
function cutOff() {
    const cut = [];
    for (const table of document.querySelectorAll('table.blocks')) {
        if (table.getBoundingClientRect().right > 390) {
            cut.push(`${table.className} is ${Math.round(table.getBoundingClientRect().width)} px wide`);
        }
        const headings = [...table.querySelectorAll('thead th')].map((heading) => heading.textContent.trim());
        for (const row of table.querySelectorAll('tbody tr')) {
            [...row.children].forEach((cell, place) => {
                const isNamed = place === 0 || !headings[place] || cell.dataset.label || cell.colSpan > 1;
                if (!isNamed && cell.textContent.trim() !== '') {
                    cut.push(`${table.className}: ${headings[place]} of ${cell.textContent.trim().slice(0, 30)}`);
                }
            });
        }
    }
    return cut;
}

/** Runs in the page: texts that are seen and smaller than 15 px; what is drawn has its own measure. */
function tooSmall() {
    const small = [];
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (texts.nextNode()) {
        const element = texts.currentNode.parentElement;
        const isSeen = texts.currentNode.textContent.trim() !== '' && element.getClientRects().length > 0;
        if (
            isSeen &&
            !element.closest('svg, script, noscript, option, .visually-hidden') &&
            parseFloat(getComputedStyle(element).fontSize) < 15
        ) {
            small.push(`${element.className} ${texts.currentNode.textContent.trim().slice(0, 40)}`);
        }
    }
    return small;
}

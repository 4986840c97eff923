import { createRequire } from 'node:module';
import { connect } from 'node:net';
import { expect, signIn, test } from './steps.js';

// A client of Modbus that nobody here wrote.
const ModbusRTU = createRequire(import.meta.url)('modbus-serial');

const portOf = async (page) => Number(/Modbus TCP 127\.0\.0\.1:(\d+)/.exec(await page.locator('.bench-address').innerText())[1]);
const standing = (page) => expect(page.getByRole('heading', { name: 'Lamps' })).toBeVisible({ timeout: 15_000 });

async function connected(port) {
    const client = new ModbusRTU();
    await client.connectTCP('127.0.0.1', { port });
    client.setID(1);
    client.setTimeout(3000);
    return client;
}

test('an outage by hand on the front panel: the lamps follow, and a client of Modbus sees the same', async ({ page }) => {
    await signIn(page);
    await page.goto('/switches/1/bench');
    await standing(page);
    const client = await connected(await portOf(page));
    const before = await client.readInputRegisters(0, 64);
    expect(before.data[1]).toBe(1); // on the first source
    await page.getByRole('group', { name: 'Utility disconnect' }).getByRole('button', { name: 'Open' }).click();
    await expect(page.getByRole('group', { name: 'Utility disconnect' }).getByRole('button', { name: 'Open' })).toHaveAttribute(
        'aria-pressed',
        'true',
    );
    expect((await client.readCoils(0, 3)).data.slice(0, 3)).toEqual([true, false, true]);
    await page.getByRole('button', { name: '60×' }).click();
    await expect(page.locator('.bench-lamps li', { hasText: 'On G' })).toHaveClass(/is-lit/, { timeout: 10_000 });
    await page.getByRole('button', { name: 'Pause' }).click();
    await expect(page.getByRole('button', { name: 'Pause' })).toHaveAttribute('aria-pressed', 'true');
    const carried = await client.readInputRegisters(0, 60);
    expect(carried.data[1]).toBe(2);
    expect(carried.data[3]).toBe(4);
    expect((await client.readDiscreteInputs(0, 8)).data[3]).toBe(true);
    await client.writeCoil(0, false);
    await client.writeRegister(1410, 60);
    await expect(page.locator('.bench-lamps li', { hasText: 'On U' })).toHaveClass(/is-lit/, { timeout: 20_000 });
    await expect(page.getByRole('group', { name: 'Utility disconnect' }).getByRole('button', { name: 'Closed' })).toHaveAttribute(
        'aria-pressed',
        'true',
    );
    client.close();
});

test('settings are staged, refused with their place, and taken with the revision that was read', async ({ page }) => {
    await signIn(page);
    await page.goto('/switches/1/bench');
    await standing(page);
    const client = await connected(await portOf(page));
    await client.writeRegister(1410, 60);
    await expect
        .poll(async () => (await client.readInputRegisters(1, 3)).data.filter((_, i) => i !== 1), { timeout: 20_000 })
        .toEqual([1, 0]);
    const found = (await client.readHoldingRegisters(1000, 72)).data;
    const [high, low] = (await client.readHoldingRegisters(1303, 2)).data;
    const bad = [...found];
    bad[30] = 10;
    await client.writeRegisters(1200, bad);
    await client.writeRegisters(1305, [high, low]);
    await expect(client.writeRegister(1300, 1)).rejects.toThrow(/exception 3/i);
    expect((await client.readHoldingRegisters(1301, 2)).data).toEqual([2, 30]);
    expect((await client.readHoldingRegisters(1000, 72)).data).toEqual(found);
    const good = [...found];
    [good[8], good[9], good[10]] = [0, 1, 0x86a0]; // return delay of 100 s
    await client.writeRegisters(1200, good);
    await client.writeRegisters(1305, [high, low]);
    await client.writeRegister(1300, 1);
    expect((await client.readHoldingRegisters(1000, 72)).data).toEqual(good);
    expect((await client.readHoldingRegisters(1303, 2)).data).toEqual([high, low + 1]);
    await expect(client.readHoldingRegisters(1080, 1)).rejects.toThrow(/exception 2/i);
    client.close();
});

test('two hundred connections, halves of frames and nonsense leave the bench standing', async ({ page }) => {
    await signIn(page);
    await page.goto('/switches/1/bench');
    await standing(page);
    const port = await portOf(page);
    const sockets = await Promise.all(
        Array.from(
            { length: 200 },
            (_, i) =>
                new Promise((resolve) => {
                    const socket = connect(port + (i % 2), '127.0.0.1', () => {
                        socket.write(i % 3 === 0 ? Buffer.from([0, 1, 0, 0]) : Buffer.from('{"nonsense":\n'.repeat(5)));
                        resolve(socket);
                    });
                    socket.on('error', () => resolve(socket));
                }),
        ),
    );
    sockets.forEach((socket) => socket.destroy());
    await page.waitForTimeout(500);
    const client = await connected(port);
    expect((await client.readInputRegisters(0, 1)).data).toEqual([1]);
    client.close();
    await page.reload();
    await standing(page);
});

test('a bench is put up for each kind of site by one press, and taken down', async ({ page }) => {
    await signIn(page);
    for (const id of [2, 3, 6, 9]) {
        await page.goto(`/switches/${id}/bench`);
        const put = page.getByRole('button', { name: 'Put it on the bench' });
        if (await put.count()) {
            await put.click();
        }
        await expect(async () => {
            await page.reload();
            await expect(page.getByRole('heading', { name: 'Lamps' })).toBeVisible({ timeout: 1000 });
        }).toPass({ timeout: 15_000 });
    }
    await page.goto('/switches/9/bench');
    await page.getByRole('button', { name: 'Take it down' }).click();
    await expect(page.getByRole('button', { name: 'Put it on the bench' })).toBeVisible();
});

test('settings on the device: compared, refused without its serial, written, read back and kept as a proposal', async ({ page }) => {
    await signIn(page);
    await page.goto('/switches/2/bench');
    const put = page.getByRole('button', { name: /^Put it/ });
    await put.first().click();
    await expect(async () => {
        await page.reload();
        await expect(page.getByRole('heading', { name: 'Lamps' })).toBeVisible({ timeout: 1000 });
    }).toPass({ timeout: 15_000 });
    await page.goto('/switches/2/settings');
    const delay = page.getByLabel('Return delay', { exact: true });
    await delay.fill('240');
    await page.getByRole('button', { name: /^Save/ }).first().click();
    await page.goto('/switches/2/bench/settings');
    await expect(page.getByRole('row', { name: /Return delay/ })).toContainText('4:00.0');
    await page.getByLabel('Serial number of the device, typed').fill('BENCH-0');
    await page.getByRole('button', { name: 'Write it, and read it back' }).click();
    await expect(page.getByText('That is not the serial number of this device.')).toBeVisible();
    const serial = await page.locator('.pairs dd').first().innerText();
    await page.getByLabel('Serial number of the device, typed').fill(serial.split(',')[0]);
    await page.getByRole('button', { name: 'Write it, and read it back' }).click();
    await expect(page.getByText('Written, and read back as it was written, revision 2.')).toBeVisible();
    await expect(page.getByText('The device keeps what the sheet says.')).toBeVisible();
    await page.goto('/switches/2/settings');
    await expect(page.getByText(/the bench \(simulated\)/).first()).toBeVisible();
});

test('the log of the device stands beside the stopwatch of a run and is never taken into it', async ({ page }) => {
    await signIn(page);
    await page.goto('/switches/1/commission');
    await page.getByRole('button', { name: /begin a run/ }).click();
    await page.getByRole('link', { name: 'Compare with the log of the bench' }).click();
    await expect(page.getByRole('heading', { name: 'Marks of the device' })).toBeVisible();
    await expect(page.getByRole('row', { name: /Load on G/ })).toContainText('not marked'); // of the outage on the front panel
    await expect(page.getByText('never taken into a run')).toBeVisible();
});

"""The bench asked by two Modbus clients that nobody here wrote: python3-pymodbus and mbpoll, both of Debian.

Every row of docs/formats/modbus.csv is read by the first; the rows that stand still must be the same words from the second. Then a delay
is staged, read back and put as it was, a hole is refused, and the device says who it is. On demo data only, after bin/start:
apt-get install mbpoll python3-pymodbus; /usr/bin/python3 bench/device-clients.py [port]
"""

import csv
import pathlib
import subprocess
import sys
import time

from pymodbus.client import ModbusTcpClient
from pymodbus.mei_message import ReadDeviceInformationRequest

PORT = int(sys.argv[1]) if len(sys.argv) > 1 else 15020
WORDS = {"u16": 1, "s16": 1, "u32": 2, "s32": 2, "u48": 3}
TABLES = {"input": ("read_input_registers", "3"), "holding": ("read_holding_registers", "4")}
BITS = {"coil": ("read_coils", "0"), "discrete": ("read_discrete_inputs", "1")}
PACE = 1 / 150  # a client is held to 200 requests a second


def ask(client, call, *values):
    time.sleep(PACE)
    return getattr(client, call)(*values, slave=1)


def polled(kind, address, count):
    """The same words by mbpoll: references from zero, one poll."""
    command = ["mbpoll", "-1", "-q", "-0", "-a", "1", "-t", kind, "-r", str(address), "-c", str(count), "-p", str(PORT), "127.0.0.1"]
    out = subprocess.run(command, capture_output=True, text=True, check=True).stdout
    return [int(line.split()[1]) for line in out.splitlines() if line.startswith("[")]


def main():
    rows = list(csv.DictReader((pathlib.Path(__file__).parent.parent / "docs/formats/modbus.csv").open()))
    client = ModbusTcpClient("127.0.0.1", port=PORT)
    if not client.connect():
        sys.exit(f"nothing answers on port {PORT}: bin/start first")
    read, absent, compared = 0, 0, 0
    for row in rows:
        address, kind = int(row["address"]), row["table"]
        if kind in BITS:
            answer = ask(client, BITS[kind][0], address, 1)
        elif kind in TABLES:
            answer = ask(client, TABLES[kind][0], address, WORDS[row["type"]])
        else:
            sys.exit(f"table {kind} is not known here")
        if answer.isError():
            assert answer.exception_code == 2, f"{row['name']}: {answer}"
            absent += 1  # not on this kind of installation
            continue
        read += 1
        if kind == "holding" and address < 1200:
            assert polled("4", address, WORDS[row["type"]]) == answer.registers, row["name"]
            compared += 1

    delays = [row for row in rows if row["table"] == "holding" and row["name"] == "return_delay_ms"]
    staged = next(int(row["address"]) for row in delays if row["access"] == "rw")
    before = ask(client, "read_holding_registers", staged, 3).registers
    after = [0, 0x0004, 0x93E0]  # 300 000 ms
    assert not ask(client, "write_registers", staged, after).isError()
    assert ask(client, "read_holding_registers", staged, 3).registers == after == polled("4", staged, 3)
    assert not ask(client, "write_registers", staged, before).isError()

    hole = ask(client, "read_holding_registers", 900, 1)
    assert hole.isError() and hole.exception_code == 2, hole
    who = client.execute(ReadDeviceInformationRequest(read_code=1, slave=1))
    assert not who.isError(), who
    print(f"{read} rows read, {absent} not on this installation, {compared} the same by mbpoll; device: {who.information}")


main()

<?php

declare(strict_types=1);

// A meter for DevicesTest: php tests/meter.php PORT MANNER. It answers reads of the four tables by Modbus TCP: register n holds what stands
// in $holding, input registers twice that. MANNER: good, silent, garbage, short, late, refuses, other.

[, $port, $manner] = $argv;
$holding = [0 => 2304, 1 => 2310, 2 => 2298, 3 => 412, 4 => 405, 5 => 398, 6 => 5002, 7 => 0xFFF6, 8 => 3, 9 => 33792, 20 => 8];
$server = stream_socket_server("tcp://127.0.0.1:$port") ?: exit(1);
while ($client = @stream_socket_accept($server, 60)) {
    while (($head = fread($client, 6)) !== false && strlen($head) === 6) {
        $length = unpack('n', substr($head, 4))[1];
        $body = (string) fread($client, $length);
        $function = ord($body[1]);
        if ($manner === 'silent') {
            sleep(6);
            break;
        }
        if ($manner === 'garbage') {
            fwrite($client, "HTTP/1.1 200 OK\r\n\r\nhello, this is a web server and no meter at all");
            continue;
        }
        if ($function > 4 || $manner === 'refuses') {
            $pdu = chr($function | 0x80) . "\x02";
        } else {
            ['from' => $from, 'count' => $count] = unpack('nfrom/ncount', substr($body, 2));
            $bytes = '';
            if ($function < 3) {
                for ($i = 0; $i < intdiv($count + 7, 8); $i++) {
                    $bytes .= chr(0b01010101);
                }
            } else {
                for ($i = $from; $i < $from + $count; $i++) {
                    $bytes .= pack('n', ($holding[$i] ?? 0) * ($function === 4 ? 2 : 1) & 0xFFFF);
                }
            }
            $bytes = $manner === 'short' ? substr($bytes, 1) : $bytes;
            $pdu = chr($manner === 'other' ? 6 : $function) . chr(strlen($bytes)) . $bytes;
        }
        $frame = fn(int $id): string => pack('nnnC', $id, 0, strlen($pdu) + 1, ord($body[0])) . $pdu;
        $id = unpack('n', $head)[1];
        foreach ($manner === 'late' ? [$frame(0xFFFF), $frame($id)] : [$frame($id)] as $one) {
            foreach (str_split($one, 5) as $piece) { // in pieces, as a network may bring it
                fwrite($client, $piece);
                usleep(2000);
            }
        }
    }
    fclose($client);
}

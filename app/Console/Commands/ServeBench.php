<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Device\BenchServer;
use App\Device\BenchStore;
use App\Device\Refused;
use Illuminate\Console\Command;
use React\EventLoop\Loop;

/** The bench: made-up installations over TCP, on loopback unless somebody binds it elsewhere on purpose. */
final class ServeBench extends Command
{
    protected $signature = 'bench:serve {--host= : where it listens} {--port= : the first port; two for each installation}';
    protected $description = 'Serve the made-up installations over Modbus TCP and lines of JSON.';

    public function handle(BenchStore $store): int
    {
        $host = $this->option('host');
        $host = is_string($host) ? $host : config()->string('bench.host');
        $port = $this->option('port');
        $port = is_numeric($port) ? (int) $port : config()->integer('bench.port');
        $token = config('bench.token');
        if (! in_array($host, ['127.0.0.1', '[::1]'], true) && ! is_string($token)) {
            $this->error('Elsewhere than on loopback a token is needed: set ESCAPEMENT_BENCH_TOKEN.');

            return self::FAILURE;
        }
        $server = new BenchServer(Loop::get(), $store, $host, $port, is_string($token) ? $token : null);
        foreach ([SIGTERM, SIGINT] as $signal) {
            Loop::addSignal($signal, $server->stop(...));
        }
        $this->line("LISTENING $host:$port");
        try {
            $server->run();
        } catch (Refused $twice) {
            Loop::stop(); // it would begin by itself when this ends
            $this->error($twice->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Record;

use Escapement\Core\Record\RecordChain;

/** A record as somebody could write it who knows the format: its chain is sound, whatever it says. */
final class Chained
{
    /**
     * @param list<array<string, mixed>> $entries
     *
     * @return array{head: string, entries: list<array<string, mixed>>}
     */
    public static function of(array $entries): array
    {
        $chain = new RecordChain();
        $hash = RecordChain::GENESIS;
        $linked = [];
        foreach ($entries as $i => $entry) {
            $entry += ['seq' => $i + 1, 'who' => 'Noor', 'server_time' => sprintf('2026-11-20T09:%02d:00.000Z', $i)];
            $hash = $chain->hash($hash, $entry);
            $linked[] = ['hash' => $hash] + $entry;
        }

        return ['head' => $hash, 'entries' => $linked];
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Tests\StandardPanels;

/** The procedure of every installation type, and of every standard panel: what each step asks for, as it is read on the page. */
final class GoldenProcedures
{
    /** @return iterable<string, array{string, ?string}> installation type, and the key of the circuit of a panel */
    public static function all(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind->value, null];
        }
        yield from StandardPanels::all();
    }

    /** @return array<string, list<string>> */
    public static function golden(): array
    {
        return array_map(static fn(array $one): array => self::told(...$one), iterator_to_array(self::all()));
    }

    /** @return list<string> */
    public static function told(string $kind, ?string $circuit): array
    {
        $steps = $circuit === null ? StandardPanels::steps($kind, 'b', more: ['panel' => null]) : StandardPanels::steps($kind, $circuit);

        return array_map(static function (string $id, array $step): string {
            $asks = array_intersect_key($step, array_flip(['band', 'window', 'stopped_by', 'choices', 'expected']));

            return "$id: {$step['title']} | {$step['expect']} | " . json_encode($asks, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)
                . ($step['hold'] ? ' hold' : '') . ($step['may_skip'] ? ' may be skipped' : '');
        }, array_keys($steps), $steps);
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Tests;

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\Panel\RelayPlayReader;
use Escapement\Core\Wire\ProcedureReader;

/** The standard circuits as panels that were built, for the installation types they are for. */
final readonly class StandardPanels
{
    /** @return iterable<string, array{string, string}> installation type and key of the circuit */
    public static function all(): iterable
    {
        foreach (StandardCircuits::all() as $key => $standard) {
            foreach ($standard['kinds'] as $kind) {
                yield "$kind, circuit $key" => [$kind, (string) $key];
            }
        }
    }

    /** @param array<string, mixed> $times as `relay_play` reads them */
    public static function built(string $key, array $times = []): BuiltPanel
    {
        return BuiltPanel::of((new RelayPlayReader())->input(Node::fromArray(
            self::parts($key, $times) + ['until_ms' => 1],
        )));
    }

    /**
     * @param array<string, mixed> $panel over that of the circuit
     * @param array<string, mixed> $more  over kind, system and settings of the template
     *
     * @return array<string, array<string, mixed>> steps of `calc procedure` by id
     */
    public static function steps(string $kind, string $key, array $panel = [], array $more = []): array
    {
        $template = new SheetTemplate(InstallationKind::from($kind));
        $answer = (new ProcedureReader())->answer(Node::fromArray(array_filter($more + [
            'kind' => $kind,
            'system' => $template->plant()->toArray(),
            'settings' => $template->settings()->toWire(),
            'panel' => $panel + self::parts($key) + ['region' => 'iec_400_230'],
        ], static fn(mixed $one): bool => $one !== null)));

        return array_column(array_merge(...array_column($answer['stages'], 'steps')), null, 'id');
    }

    /**
     * @param array<string, mixed> $times
     *
     * @return array<string, mixed>
     */
    public static function parts(string $key, array $times = []): array
    {
        $standard = StandardCircuits::all()[$key];

        return ['circuit' => $standard['circuit'], 'supplies' => (object) $standard['supplies'], 'times' => (object) $times];
    }
}

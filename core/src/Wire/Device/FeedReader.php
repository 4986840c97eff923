<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Device;

use Escapement\Core\Device\Feed\FeedLine;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;

/** A line of a fleet feed, JSON: docs/formats/fleet-feed.md. */
final readonly class FeedReader
{
    private const FIGURES = [
        'hz' => [0, 100], 'kw' => [-100_000, 100_000], 'battery_v' => [0, 60], 'fuel_pct' => [0, 100], 'run_h' => [0, 1_000_000],
        'oil_kpa' => [0, 2000], 'coolant_c' => [-60, 400],
    ];
    private const LEGS = ['v_normal', 'v_emergency', 'a'];
    private const LAST_SEQ = 9_007_199_254_740_991;

    /** @throws BadInput */
    public function line(string $json): FeedLine
    {
        $fields = new Fields(Node::fromJson($json));
        $fields->only(['seq', 'at', 'position', 'engine', 'fault', 'simulated', ...self::LEGS, ...array_keys(self::FIGURES)]);
        $seq = $fields->int('seq', 0, self::LAST_SEQ);
        $said = $fields->text('at', 40);
        $isForm = preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/D', $said) === 1;
        $at = $isForm ? date_create_immutable($said) : false;
        if ($at === false) {
            throw $fields->at('at')->bad('A moment in UTC, as 2026-11-27T14:35:00Z.');
        }
        $state = [
            'position' => $fields->maybeOneOf('position', ['normal', 'emergency', 'open', 'moving']),
            'engine' => $fields->maybeOneOf('engine', ['stopped', 'cranking', 'running', 'failed']),
            'fault' => $fields->maybeText('fault', 120),
        ];
        foreach (self::LEGS as $key) {
            $legs = $fields->maybeList($key, 1, 3);
            $state[$key] = $legs === null ? null : array_map(static fn(Node $leg): float => (float) $leg->number(0, 10_000), $legs);
        }
        foreach (self::FIGURES as $key => [$least, $most]) {
            $state[$key] = $fields->maybeNumber($key, $least, $most);
        }

        return new FeedLine(
            $seq,
            (int) $at->format('Uv'),
            array_filter($state, static fn(mixed $value): bool => $value !== null),
            $fields->bool('simulated', false),
        );
    }
}

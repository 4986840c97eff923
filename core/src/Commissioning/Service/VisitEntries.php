<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Service;

use Escapement\Core\Commissioning\Procedure\Verdict;

/**
 * What a signed service visit writes into the logbook of its switch: entries as `logbook_summary` takes them, each of the step it
 * came from. What was left out, or not so, is no work done. Rule: docs/rules.md#service-visit.
 */
final readonly class VisitEntries
{
    private const NOTE = 64;
    private const MARKS = 'switch_service/torque_witness';
    private const RUN = 'watched_run/start';
    private const BATTERY = [
        'engine_service/battery_test' => 'rest', 'watched_run/battery-crank' => 'crank', 'as_left/charger-float' => 'charging',
    ];

    /** @param array<string, GivenAnswer> $given by step */
    public function __construct(private array $given, private string $sheet) {}

    /** @return list<array{step: string, kind: string, fields: array<string, mixed>}> in the order in which a visit goes */
    public function entries(): array
    {
        return array_values(array_filter([
            $this->alarm(), $this->hours(), $this->settings('as_found/settings', 'found'), ...$this->batteries(), $this->service(),
            $this->marks(), $this->exercise(), $this->settings('as_left/settings', 'left'),
        ]));
    }

    /** @return 'auto'|'off'|null where the selector was left; null where nobody said */
    public function selector(): ?string
    {
        return match ($this->given['as_left/selector']->choice ?? null) {
            'auto' => 'auto',
            'off' => 'off',
            default => null,
        };
    }

    /** @return list<string> items of service that were done */
    public function items(): array
    {
        $items = [];
        foreach ($this->given as $step => $answer) {
            [$stage, $item] = explode('/', $step) + [1 => ''];
            $isWork = in_array($stage, ['engine_service', 'switch_service'], true) && $step !== 'switch_service/closed';
            $isDone = $answer->verdict === Verdict::AsExpected || $answer->verdict === Verdict::Noted
                || $step === self::MARKS && $answer->choice !== null; // marks that had moved were torqued again
            if ($isWork && $isDone) {
                $items[] = $item;
            }
        }

        return $items;
    }

    /** @return ?array{step: string, kind: string, fields: array<string, mixed>} */
    private function alarm(): ?array
    {
        $answer = $this->given['as_found/alarms'] ?? null;

        return $answer?->choice === 'alarm' ? ['step' => 'as_found/alarms', 'kind' => 'alarm', 'fields' => [
            'code' => mb_substr(trim((string) $answer->note), 0, self::NOTE),
        ]] : null;
    }

    /** @return ?array{step: string, kind: string, fields: array<string, mixed>} */
    private function hours(): ?array
    {
        $hours = $this->value('as_found/hours');

        return $hours === null ? null : ['step' => 'as_found/hours', 'kind' => 'hours', 'fields' => ['hours' => $hours]];
    }

    /** @return ?array{step: string, kind: string, fields: array<string, mixed>} settings that could not be read say nothing */
    private function settings(string $step, string $when): ?array
    {
        $hash = match ($this->given[$step]->choice ?? null) {
            'same' => $this->sheet,
            'other' => "not $this->sheet",
            default => null,
        };

        return $hash === null ? null : ['step' => $step, 'kind' => 'settings', 'fields' => ['when' => $when, 'hash' => $hash]];
    }

    /** @return list<array{step: string, kind: string, fields: array<string, mixed>}> */
    private function batteries(): array
    {
        $entries = [];
        foreach (self::BATTERY as $step => $state) {
            $volts = $this->value($step);
            if ($volts !== null) {
                $entries[] = ['step' => $step, 'kind' => 'battery', 'fields' => ['v' => $volts, 'state' => $state]];
            }
        }

        return $entries;
    }

    /** @return ?array{step: string, kind: string, fields: array<string, mixed>} */
    private function service(): ?array
    {
        $items = $this->items();

        return $items === [] ? null : ['step' => 'engine_service', 'kind' => 'service', 'fields' => ['items' => $items]];
    }

    /** @return ?array{step: string, kind: string, fields: array<string, mixed>} */
    private function marks(): ?array
    {
        $choice = $this->given[self::MARKS]->choice ?? null;

        return $choice === 'in-line' || $choice === 'moved' ? ['step' => self::MARKS, 'kind' => 'witness', 'fields' => [
            'terminal' => 'all lugs', 'moved' => $choice === 'moved',
        ]] : null;
    }

    /** @return ?array{step: string, kind: string, fields: array<string, mixed>} a start by hand is no exercise of the controller */
    private function exercise(): ?array
    {
        $choice = $this->given[self::RUN]->choice ?? null;
        $figures = array_filter([
            'run_min' => $this->value('watched_run/run-minutes'), 'kw' => $this->value('watched_run/load-kw'),
        ], static fn(?float $value): bool => $value !== null);

        return match ($choice) {
            'first', 'later' => ['step' => self::RUN, 'kind' => 'exercise', 'fields' => ['done' => true] + $figures],
            'no', 'by-hand' => ['step' => self::RUN, 'kind' => 'exercise', 'fields' => ['done' => false]],
            default => null,
        };
    }

    private function value(string $step): ?float
    {
        $answer = $this->given[$step] ?? null;

        return $answer === null || $answer->verdict === Verdict::Skipped ? null : $answer->value;
    }
}

<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\LandingFacts;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Wire\BadInput;

/** The landings of one enclosure with their colours judged and their torque looked up. */
final readonly class EnclosureTable
{
    /** @var list<Finding> */
    public array $findings;
    /** @var list<array<string, mixed>> what `torque` says of each line */
    public array $torque;
    public ?string $fault;

    /** @param list<array<string, mixed>> $lines */
    public function __construct(public string $id, public string $name, public array $lines, LandingFacts $facts, bool $isBondingPoint, string $workDate)
    {
        $findings = $torque = [];
        $fault = null;
        try {
            $colours = $facts->colours($lines, $isBondingPoint);
            $tight = $facts->torque($lines, $workDate);
            // Which torque is missing is said in its cell, and once below all tables; that it is not recorded yet is the plan's nature.
            $findings = array_values(array_filter([...$colours->findings, ...$tight->findings], static fn(Finding $finding): bool => $finding->severity !== Severity::Note && $finding->id !== 'torque-not-recorded'));
            /** @var list<array<string, mixed>> $torque */
            $torque = $tight->values['points'];
        } catch (BadInput $e) {
            $fault = $e->getMessage();
        }
        $this->findings = $findings;
        $this->torque = $torque;
        $this->fault = $fault;
    }

    /** @return array{value: string, source: string} the target in the three units, and where it comes from */
    public function target(int $i): array
    {
        $point = $this->torque[$i] ?? [];
        if (! is_numeric($point['target_in_lb'] ?? null)) {
            return ['value' => 'find it', 'source' => 'on the label or the sheet'];
        }

        return [
            'value' => round((float) $point['target_in_lb']) . ' in-lb, ' . round((float) $point['target_nm'], 1) . ' N·m',
            'source' => $point['source'] === 'maker' ? 'by its maker' : 'table, a last resort',
        ];
    }

    /** @param array<string, mixed> $line */
    public function colour(array $line): string
    {
        $name = static fn(mixed $colour): string => str_replace('_', '-', is_string($colour) ? $colour : '');

        return $name($line['colour']) . (($line['reid'] ?? null) === null ? '' : ', ' . $name($line['reid']) . ' tape');
    }
}

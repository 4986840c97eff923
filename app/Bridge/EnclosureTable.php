<?php

declare(strict_types=1);

namespace App\Bridge;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Terminations\EnclosureCheck;

/** The landings of one enclosure with their colours judged and their torque looked up. */
final readonly class EnclosureTable
{
    /** @var list<Finding> */
    public array $findings;
    /** @var list<array<string, mixed>> what `torque` says of each line */
    public array $torque;
    public ?string $fault;

    /** @param list<array<string, mixed>> $lines */
    public function __construct(
        public string $id,
        public string $name,
        public array $lines,
        string $colourSystem,
        public bool $isBondingPoint,
        string $workDate,
    ) {
        $findings = $torque = [];
        $fault = null;
        try {
            $check = new EnclosureCheck($colourSystem, $this->asked(), $isBondingPoint, $workDate);
            // Which torque is missing is said in its cell, and once below all tables.
            $findings = $check->findings();
            $torque = $check->points();
        } catch (BadInput $e) {
            $fault = $e->getMessage();
        }
        $this->findings = $findings;
        $this->torque = $torque;
        $this->fault = $fault;
    }

    /** @return list<array<string, mixed>> the lines as `procedure` asks for them */
    public function asked(): array
    {
        return array_map(static fn(array $line): array => array_intersect_key(
            $line,
            array_flip(['conductor', 'terminal', 'on', 'feeder', 'size', 'colour', 'screw']),
        )
            + array_filter([
                'reid' => $line['reid'] ?? null,
                'socket_in' => $line['socket_in'] ?? null,
                'maker' => isset($line['maker_value']) ? ['value' => $line['maker_value'], 'unit' => $line['maker_unit'] ?? 'in_lb'] : null,
            ]), $this->lines);
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

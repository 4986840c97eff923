<?php

declare(strict_types=1);

namespace Escapement\Core\Terminations;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Wiring\Colours\Colours;
use Escapement\Core\Wiring\Colours\ColoursInput;
use Escapement\Core\Wiring\Colours\ColoursResult;
use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\Colours\Landing;
use Escapement\Core\Wiring\Torque\Torque;
use Escapement\Core\Wiring\Torque\TorqueInput;
use Escapement\Core\Wiring\Torque\TorquePoint;
use Escapement\Core\Wiring\Torque\TorqueTable;

/** The landings of one enclosure, by their colours and by their torque. Rule: docs/rules.md#torque, docs/rules.md#colours. */
final readonly class EnclosureCheck
{
    public ColoursResult $colours;
    public CalculationResult $torque;

    /**
     * @param list<array<string, mixed>> $lines          conductor, terminal, on (its function), size, colour, reid?, screw,
     *     socket_in?, maker? {value, unit}
     * @param bool                       $isBondingPoint neutral and ground are joined here once the work is done
     * @param string                     $workDate       Y-m-d
     *
     * @throws BadInput
     */
    public function __construct(string $colourSystem, array $lines, bool $isBondingPoint, string $workDate)
    {
        // No ground is listed here at all: none is missing. One that lands on the neutral bar is judged.
        $hasGround = in_array('G', [...array_column($lines, 'on'), ...array_column($lines, 'conductor')], true);
        $landings = array_map(self::landing(...), $lines);
        $this->colours = (new Colours())->judge(new ColoursInput(
            new ColourSystem($colourSystem),
            $landings,
            $isBondingPoint || ! $hasGround,
        ));
        $points = array_map(self::point(...), $lines, array_keys($lines));
        $this->torque = (new Torque())->answer(new TorqueInput($workDate, $points));
    }

    /** @param array<string, mixed> $line */
    private static function landing(array $line): Landing
    {
        $word = static fn(string $key): ?string => is_string($line[$key] ?? null) ? $line[$key] : null;

        return new Landing((string) $word('conductor'), (string) $word('on'), (string) $word('colour'), $word('reid'), $word('size'));
    }

    /** @param array<string, mixed> $line */
    private static function point(array $line, int $i): TorquePoint
    {
        $word = static fn(string $key): ?string => is_string($line[$key] ?? null) ? $line[$key] : null;
        $maker = is_array($line['maker'] ?? null) ? $line['maker'] + ['value' => null, 'unit' => null] : null;

        return new TorquePoint(
            (string) ($i + 1),
            (string) $word('size'),
            (string) $word('screw'),
            $word('screw') === 'hex_socket' ? $word('socket_in') : null,
            is_numeric($maker['value'] ?? null) && is_string($maker['unit'])
                ? TorqueTable::toInLb((float) $maker['value'], $maker['unit'])
                : null,
        );
    }

    /** @return list<Finding> what has to be known before the work; that a torque is not recorded yet is the plan's nature */
    public function findings(): array
    {
        return array_values(array_filter(
            [...$this->colours->findings, ...$this->torque->findings],
            static fn(Finding $finding): bool => $finding->severity !== Severity::Note && $finding->id !== 'torque-not-recorded',
        ));
    }

    /** @return list<Finding> what stands against landing anything here; a torque that is not known stands against its lug */
    public function stops(): array
    {
        return array_values(array_filter(
            $this->colours->findings,
            static fn(Finding $finding): bool => $finding->severity === Severity::Stop,
        ));
    }

    /** @return list<array<string, mixed>> what `torque` says of each line, in their order */
    public function points(): array
    {
        /** @var list<array<string, mixed>> */
        return $this->torque->values['points'];
    }
}

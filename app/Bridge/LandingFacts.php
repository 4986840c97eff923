<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\TransferSwitch;
use Escapement\Core\Calc\Answer;
use Escapement\Core\Landing\Feeder;
use Escapement\Core\Power\System;
use Escapement\Core\Template\InstallationKind;
use Escapement\Core\Wire\BadInput;
use Escapement\Core\Wire\Node;
use Escapement\Core\Wiring\Colours;
use Escapement\Core\Wiring\ColourSystem;
use Escapement\Core\Wiring\PullBox;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\Torque;

/** What lands in an enclosure, as the calculations of colours and torque want it. */
final readonly class LandingFacts
{
    private const HIGH_VOLTS = 250.0;

    public ColourSystem $colours;

    public function __construct(TransferSwitch $switch, System $system)
    {
        $this->colours = new ColourSystem(match (true) {
            $switch->site->installation === InstallationKind::Mobile30 => 'mobile_30a',
            $switch->site->installation === InstallationKind::Mobile50 => 'mobile_50a',
            $system->name !== 'three' => 'us_split_120_240',
            $switch->site->units === 'metric' => 'iec_400_230',
            $system->vLn > self::HIGH_VOLTS => 'us_480y_277',
            default => 'us_208y_120',
        });
    }

    /**
     * @param list<array<string, mixed>> $lines
     *
     * @throws BadInput
     */
    public function colours(array $lines, bool $isBondingPoint): Answer
    {
        $hasGround = in_array('G', array_column($lines, 'on'), true);

        return (new Colours())->answer(Node::fromArray([
            'system' => $this->colours->name, 'bonding_point' => $isBondingPoint || ! $hasGround,
            'landings' => array_map(static fn(array $line): array => ['conductor' => $line['conductor'], 'terminal' => $line['on'], 'colour' => $line['colour'], 'reid' => $line['reid'] ?? null, 'size' => $line['size']], array_slice($lines, 0, 40)),
        ]));
    }

    /**
     * @param list<array<string, mixed>> $lines
     *
     * @throws BadInput
     */
    public function torque(array $lines, string $workDate): Answer
    {
        return (new Torque())->answer(Node::fromArray([
            'work_date' => $workDate,
            'points' => array_map(static fn(array $line, int $i): array => ['id' => (string) ($i + 1), 'conductor_size' => $line['size'], 'screw' => $line['screw']]
                + ($line['screw'] === 'hex_socket' && isset($line['socket_in']) ? ['socket_in' => $line['socket_in']] : [])
                + (isset($line['maker_value']) ? ['maker' => ['value' => $line['maker_value'], 'unit' => $line['maker_unit'] ?? 'in_lb']] : []), $lines, array_keys($lines)),
        ]));
    }

    /**
     * A box that two runs meet in: by its raceways from 4 AWG on, by volume below.
     *
     * @param array<string, mixed> $box inches
     *
     * @throws BadInput
     */
    public static function box(array $box, Feeder $first, Feeder $second): Answer
    {
        $inside = ['w_in' => $box['w_in'], 'h_in' => $box['h_in'], 'd_in' => $box['d_in']];
        $isSmall = static fn(string $size): bool => in_array($size, ['14', '12', '10', '8', '6'], true);
        if ($isSmall($first->size) && $isSmall($second->size)) {
            $conductors = static fn(Feeder $feeder): array => ['size' => $feeder->size, 'qty' => (count($feeder->phases) + 1) * $feeder->sets];

            return (new PullBox())->answer(Node::fromArray([
                'mode' => 'volume', 'box' => $inside, 'conductors' => ($box['splice'] ?? false) ? [$conductors($first), $conductors($second)] : [$conductors($first)],
                'egc' => $first->egc !== null && $isSmall($first->egc) ? [['size' => $first->egc, 'qty' => ($box['splice'] ?? false) ? 2 : 1]] : [],
            ]));
        }
        $larger = Sizes::isAtLeast($first->size, $second->size) ? $first->size : $second->size;

        return (new PullBox())->answer(Node::fromArray([
            'mode' => 'raceways', 'box' => $inside,
            'raceways' => [['id' => 'in', 'wall' => $box['from_wall'], 'trade_size' => $first->tradeSize], ['id' => 'out', 'wall' => $box['to_wall'], 'trade_size' => $second->tradeSize]],
            'pulls' => [['from' => 'in', 'to' => 'out', 'largest_size' => $larger, 'splice' => (bool) ($box['splice'] ?? false)]],
        ]));
    }
}

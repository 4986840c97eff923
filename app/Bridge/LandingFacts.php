<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\TransferSwitch;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Terminations\Feeder;
use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\PullBox;
use Escapement\Core\Wiring\Sizes;

/** The colours that hold at a site, and the boxes that its runs meet in. */
final readonly class LandingFacts
{
    private const HIGH_VOLTS = 250.0;

    public ColourSystem $colours;

    public function __construct(TransferSwitch $switch, LegSystem $system)
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
     * A box that two runs meet in: by its raceways from 4 AWG on, by volume below.
     *
     * @param array<string, mixed> $box inches
     *
     * @throws BadInput
     */
    public static function box(array $box, Feeder $first, Feeder $second): CalculationResult
    {
        $inside = ['w_in' => $box['w_in'], 'h_in' => $box['h_in'], 'd_in' => $box['d_in']];
        $isSmall = static fn(string $size): bool => in_array($size, ['14', '12', '10', '8', '6'], true);
        if ($isSmall($first->size) && $isSmall($second->size)) {
            $conductors = static fn(Feeder $feeder): array => [
                'size' => $feeder->size,
                'qty' => (count($feeder->phases) + 1) * $feeder->sets,
            ];

            return (new PullBox())->answer(Node::fromArray([
                'mode' => 'volume',
                'box' => $inside,
                'conductors' => ($box['splice'] ?? false) ? [$conductors($first), $conductors($second)] : [$conductors($first)],
                'egc' => $first->egc !== null && $isSmall($first->egc) ? [[
                    'size' => $first->egc,
                    'qty' => ($box['splice'] ?? false) ? 2 : 1,
                ]] : [],
            ]));
        }
        $larger = Sizes::isAtLeast($first->size, $second->size) ? $first->size : $second->size;

        return (new PullBox())->answer(Node::fromArray([
            'mode' => 'raceways', 'box' => $inside,
            'raceways' => [
                ['id' => 'in', 'wall' => $box['from_wall'], 'trade_size' => $first->tradeSize],
                ['id' => 'out', 'wall' => $box['to_wall'], 'trade_size' => $second->tradeSize],
            ],
            'pulls' => [['from' => 'in', 'to' => 'out', 'largest_size' => $larger, 'splice' => (bool) ($box['splice'] ?? false)]],
        ]));
    }
}

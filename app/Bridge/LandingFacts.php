<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\TransferSwitch;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Terminations\Feeder;
use Escapement\Core\Wiring\Box\BoxConductors;
use Escapement\Core\Wiring\Box\BoxPull;
use Escapement\Core\Wiring\Box\BoxRaceway;
use Escapement\Core\Wiring\Box\BoxSize;
use Escapement\Core\Wiring\Box\BoxVolume;
use Escapement\Core\Wiring\Box\BoxVolumeInput;
use Escapement\Core\Wiring\Box\PullBox;
use Escapement\Core\Wiring\Box\PullBoxInput;
use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\Raceways;
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
     * @throws \DomainException where the tables do not have what the runs are, or both enter the back
     */
    public static function box(array $box, Feeder $first, Feeder $second): CalculationResult
    {
        $inside = new BoxSize((float) $box['w_in'], (float) $box['h_in'], (float) $box['d_in']);
        $isSplice = (bool) ($box['splice'] ?? false);
        if (self::isSmall($first->size) && self::isSmall($second->size)) {
            return (new BoxVolume())->answer(new BoxVolumeInput(
                $inside->volumeIn3(),
                array_map(
                    static fn(Feeder $one): BoxConductors => new BoxConductors($one->size, (count($one->phases) + 1) * $one->sets),
                    $isSplice ? [$first, $second] : [$first],
                ),
                $first->egc !== null && self::isSmall($first->egc) ? [new BoxConductors($first->egc, $isSplice ? 2 : 1)] : [],
            ));
        }
        foreach ([$first, $second] as $feeder) {
            if (! in_array($feeder->size, Sizes::AWG, true) || ! in_array($feeder->tradeSize, Raceways::TRADE_SIZES, true)) {
                throw new \DomainException("The tables have no $feeder->size in $feeder->tradeSize; ask the maker of the box.");
            }
        }
        if ($box['from_wall'] === 'back' && $box['to_wall'] === 'back') {
            throw new \DomainException('Both ends cannot be on the back.');
        }
        $in = new BoxRaceway('in', $box['from_wall'], $first->tradeSize);
        $out = new BoxRaceway('out', $box['to_wall'], $second->tradeSize);
        $larger = Sizes::isAtLeast($first->size, $second->size) ? $first->size : $second->size;

        return (new PullBox())->answer(new PullBoxInput($inside, [$in, $out], [new BoxPull($in, $out, $larger, $isSplice)]));
    }

    private static function isSmall(string $size): bool
    {
        return in_array($size, ['14', '12', '10', '8', '6'], true);
    }
}

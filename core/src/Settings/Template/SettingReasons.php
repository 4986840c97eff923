<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Template;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\Source;

/**
 * Why each setting is what it is, in the voltages of the site. Generic, to be confirmed with supplier and maker. Rule:
 * docs/rules.md#settings-templates.
 */
final readonly class SettingReasons
{
    /** By path; a limit's reason also stands for its drop-out and pick-up. */
    private const REASONS = [
        '/sensing/normal/dropout_delay_ms' => 'Half a second lets switching dips pass.',
        '/sensing/emergency/under_voltage' =>
            'Accepted from 90 % volts, left at 80 %: a dip when a block of load comes on is ridden through.',
        '/sensing/emergency/over_voltage' => 'A failed regulator drives the voltage up: leave before it burns something.',
        '/sensing/emergency/under_frequency' => 'Volts come before speed; frequency shows that the engine really runs.',
        '/sensing/emergency/over_frequency' => 'A governor that runs away shows here first.',
        '/sensing/emergency/dropout_delay_ms' => 'A normal dip when a block of load comes on is no failure.',
        '/start_delay_ms' => 'Most blinks are over by then. Every nuisance start wears engine and battery.',
        '/transfer_delay_ms' => 'Warm-up before taking load: oil pressure up, voltage steady.',
        '/return_delay_ms' => 'The returned utility must be steady first. Schools differ; see above.',
        '/cooldown_ms' => 'Unloaded, so that nothing stops hot.',
        '/min_run_ms' => 'A short run leaves water in the oil and a flat battery.',
        '/transition' => 'Open is enough without large motors; delayed waits for their residual voltage.',
        '/travel_ms' => 'What the mechanism takes from one side to the other.',
        '/off_delay_ms' => 'The pause in between, only with a delayed transition.',
        '/commit_to_transfer' => 'No: when the utility is back before the transfer, stay on it.',
    ];

    /** Two supplies have no engine: what is said of one would be wrong there. */
    private const OF_TWO = [
        '/sensing/emergency/under_frequency' => 'A part of the network that stands alone shows in its frequency.',
        '/sensing/emergency/over_frequency' => 'A part of the network that stands alone shows in its frequency.',
        '/sensing/emergency/dropout_delay_ms' => 'Half a second lets switching dips pass.',
        '/start_delay_ms' => 'Most blinks are over by then. Each changeover darkens the load twice.',
        '/transfer_delay_ms' => 'The second supply must be steady before it takes the load.',
        '/return_delay_ms' => 'The first supply must be steady first. Schools differ; see above.',
        '/cooldown_ms' => 'There is no engine to cool.', '/min_run_ms' => 'There is no engine to run.',
        '/commit_to_transfer' => 'No: when the first supply is back before the transfer, stay on it.',
    ];

    /** American supplies by ANSI C84.1: service range B in percent of nominal. */
    private const RANGE_B = [91.7, 105.8];

    public function __construct(private Plant $plant) {}

    /** Empty where nothing is to be said. */
    public function of(string $path): string
    {
        $isTwo = $this->plant->engine === null;
        foreach ([$path, dirname($path)] as $at) {
            foreach (['normal' => $this->plant->normal, ...($isTwo ? ['emergency' => $this->plant->emergency] : [])] as $side => $supply) {
                if ($at === "/sensing/$side/under_voltage" || $at === "/sensing/$side/over_voltage") {
                    return self::band($supply, str_ends_with($at, 'under_voltage'));
                }
            }
            $reason = ($isTwo ? self::OF_TWO[$at] ?? null : null) ?? self::REASONS[$at] ?? null;
            if ($reason !== null) {
                return $reason;
            }
        }

        return '';
    }

    private static function band(Source $supply, bool $isUnder): string
    {
        $nominal = $supply->nominalV;
        if ($supply->nominalHz < 55) {
            return $isUnder
                ? 'The supply may stand at 90 to 110 %: pick-up 90 is on its edge, 88 suits a weak line.'
                : 'The supply may stand up to 110 %: pick-up is on its edge, drop-out beyond it. A lost neutral drives one leg high.';
        }
        $volts = sprintf('%d–%d V', round($nominal * self::RANGE_B[0] / 100), round($nominal * self::RANGE_B[1] / 100));

        return $isUnder
            ? "The utility may lawfully supply $volts (ANSI C84.1 range B): pick-up lies below it, or the load may never go back; "
                . 'drop-out is clear of it, before a motor stalls.'
            : "The utility may lawfully supply $volts (ANSI C84.1 range B): both limits lie above it. A lost neutral drives one leg high.";
    }
}

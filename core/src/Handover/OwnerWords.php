<?php

declare(strict_types=1);

namespace Escapement\Core\Handover;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Rehearsal\RestartTimes;
use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\AsBuilt\LampWords;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Settings\SiteHabits;
use Escapement\Core\SettingsCheck\ExpectedTimes;
use Escapement\Core\SettingsCheck\Window;

/**
 * How a system behaves in an outage, in plain words made from its actual settings. Rule: docs/rules.md#handover; no figure
 * that is not on the sheet.
 */
final readonly class OwnerWords
{
    private ExpectedTimes $expected;

    /**
     * @param list<Load> $loads
     * @param string     $call  whom to call: a company, with its number
     * @param ?BuiltPanel $panel the changeover panel as it was proved, where its circuit is kept
     */
    public function __construct(
        private Plant $plant,
        private Settings $settings,
        private array $loads,
        private SiteHabits $habits,
        private string $call = 'us',
        private ?BuiltPanel $panel = null,
    ) {
        $this->expected = new ExpectedTimes($plant, $settings);
    }

    /** @return list<string> what happens, in order */
    public function outage(): array
    {
        $transfer = $this->about('transfer');
        $return = self::time((int) $this->settings->returnDelayMs);
        $words = match ($this->plant->kind) {
            PlantKind::Standby => [
                'The power fails. For ' . self::time(
                    $this->settings->normal->dropoutDelayMs + (int) $this->settings->startDelayMs,
                ) . ' nothing happens: most failures are over by then.',
                'Then the generator starts by itself. ' . ($transfer === null
                    ? ''
                    : "After about $transfer altogether it carries the load. Until then it is dark."),
                "When the power is back, the generator goes on for another $return, to be sure that it stays. "
                . 'Then the load goes back; lights may blink once.',
                'The engine runs on for ' . self::time((int) $this->settings->cooldownMs)
                    . ' without load to cool down, and stops by itself. That is as it should be.',
            ],
            PlantKind::TwoSource => [
                'The first supply fails. ' . ($transfer === null
                    ? ''
                    : "After about $transfer the second one carries the load. Until then it is dark."),
                "When the first supply is back, the load waits another $return, to be sure that it stays, "
                . 'and goes back; lights may blink once.',
            ],
            PlantKind::Mobile => [
                'Start the generator. ' . ($transfer === null ? '' : "After about $transfer it carries the load."),
                'Stop the generator: the load goes back to the shore cord by itself.',
            ],
        };

        return [...$words, ...$this->shedding()];
    }

    /** @return list<string> what runs by itself, and what it is not */
    public function exercise(): array
    {
        $exercise = $this->habits->exercise;
        if ($exercise === null) {
            return ['No exercise is agreed. A machine that never runs does not start.'];
        }
        $day = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'][$exercise->day] ?? '';
        $often = match (true) {
            $exercise->everyDays === 7 => "Every $day",
            $exercise->keepsDay => 'Every ' . intdiv($exercise->everyDays, 7) . " weeks, on $day,",
            default => "Every $exercise->everyDays days, first on $day,",
        };

        $when = sprintf('%s at %02d:%02d', $often, intdiv($exercise->minute, 60), $exercise->minute % 60);
        $proves = $exercise->withLoad ? 'Look once in a while whether it did.'
            : 'That shows that it starts. It does not show that it carries the building: only a run with the load does.';
        if ($this->plant->kind === PlantKind::Mobile) {
            return ["$when, start the generator by hand and let it run for $exercise->forMinutes minutes"
                . ($exercise->withLoad ? ' with load' : '') . '. Nothing does that by itself.'];
        }

        return [
            "$when it runs by itself for $exercise->forMinutes minutes"
                . ($exercise->withLoad ? ', and takes the load.' : ', without load.'),
            $proves,
        ];
    }

    public function startsByHand(): bool
    {
        return $this->plant->kind === PlantKind::Mobile;
    }

    /** @return list<string> what each lamp of the panel means, from its circuit; none where that is not kept */
    public function lamps(): array
    {
        [$first, $second] = $this->plant->kind === PlantKind::TwoSource ? ['the first supply', 'the second supply']
            : ['the utility', 'the generator'];

        return $this->panel === null ? [] : LampWords::of($this->panel, $first, $second);
    }

    /** @return list<string> what to do when it does not do this; never more than a person without a tool may */
    public function trouble(): array
    {
        $alarm = 'It smells of burning, smokes, or an alarm for carbon monoxide sounds: get everybody out and call for help first.';
        $lamps = ($this->lamps() === [] ? "What the lamps mean is in the maker's instructions at the switch. " : '')
            . "Any lamp that is new since today: call $this->call.";
        $breaker = 'Dark, and the engine runs: the breaker on the generator may be open. As long as it is, neither source feeds. Do '
            . 'not open a cover;'
            . " switch large loads off and follow the maker's instructions for that breaker, or call $this->call.";

        return match ($this->plant->kind) {
            PlantKind::Mobile => [
                'The generator starts when somebody starts it. Before that: windows and vents near the exhaust closed, and nobody '
                    . 'asleep without a working carbon monoxide alarm.',
                "Dark on the shore cord: look whether the pedestal's breaker is on. Switch it off before the cord is pulled or plugged.",
                $breaker, $alarm, $lamps,
            ],
            PlantKind::TwoSource => ["Dark: look whether the selector stands on automatic. Then call $this->call.", $alarm, $lamps],
            PlantKind::Standby => [
                'Keep away from the engine: it starts by itself, at any time. Windows near the exhaust stay closed while it runs.',
                $breaker, "Dark, and nothing runs: look whether the selector stands on automatic. Then call $this->call.", $alarm, $lamps,
            ],
        };
    }

    /**
     * The outage as a strip of parts, from left to right: what carries the load, and for how long where the sheet says it.
     *
     * @return list<array{state: 'first'|'dark'|'second', name: string, time: string}>
     */
    public function strip(): array
    {
        [$first, $second, $event] = match ($this->plant->kind) {
            PlantKind::Standby => ['Utility', 'Generator', 'fails'],
            PlantKind::TwoSource => ['First supply', 'Second supply', 'fails'],
            PlantKind::Mobile => ['Shore cord', 'Generator', 'is pulled'],
        };
        $return = $this->plant->kind === PlantKind::Mobile ? '' : 'and ' . self::time((int) $this->settings->returnDelayMs) . ' more';

        return [
            ['state' => 'first', 'name' => $first, 'time' => "until it $event"],
            ['state' => 'dark', 'name' => 'Dark', 'time' => $this->about('transfer') === null ? '' : 'about ' . $this->about('transfer')],
            ['state' => 'second', 'name' => $second, 'time' => trim('as long as it lasts ' . $return)],
            ['state' => 'first', 'name' => $first, 'time' => 'again'],
        ];
    }

    /** @return list<string> */
    private function shedding(): array
    {
        $shed = $this->settings->loadShed;
        $back = $shed === null ? [] : (new RestartTimes($this->plant, $this->settings, $this->loads))->backMs;
        $off = array_keys(array_filter($back, static fn(?int $ms): bool => $ms === null));
        $later = array_keys(array_filter($back, static fn(?int $ms): bool => $ms !== null && $ms > 0));
        $words = [];
        if ($shed !== null && $later !== []) {
            $words[] = 'Not everything comes back at once on the generator: ' . self::list($later)
                . (count($later) === 1 ? ' waits' : ' wait')
                . ', and ' . (count($later) === 1 ? 'comes back after ' : 'come back one after the other, the first after ')
                    . self::time(min(array_map(static fn(string $id): int => (int) $back[$id], $later))) . '.';
        }
        if ($off !== []) {
            $words[] = self::list($off) . (count($off) === 1 ? ' stays' : ' stay')
                . ' off until the power is back: the generator cannot carry ' . (count($off) === 1 ? 'it' : 'them') . ' beside the rest.';
        }

        return $words;
    }

    /** @param list<string> $names */
    private static function list(array $names): string
    {
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names) . " and $last";
    }

    private function about(string $event): ?string
    {
        $nominal = array_values(array_filter(
            $this->expected->windows,
            static fn(Window $window): bool => $window->event === $event,
        ))[0]->nominalMs ?? null;

        return $nominal === null ? null : self::time($nominal);
    }

    /** As people say it: whole seconds up to two minutes, then minutes. */
    private static function time(int $ms): string
    {
        $seconds = intdiv($ms + 500, 1000);

        return match (true) {
            $ms < 950 => SheetWords::seconds($ms),
            $seconds === 1 => 'one second',
            $seconds < 120 => "$seconds seconds",
            $seconds % 60 === 0 => intdiv($seconds, 60) . ' minutes',
            default => intdiv($seconds, 60) . ' minutes ' . ($seconds % 60 === 1 ? 'one second' : $seconds % 60 . ' seconds'),
        };
    }
}

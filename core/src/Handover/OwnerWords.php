<?php

declare(strict_types=1);

namespace Escapement\Core\Handover;

use Escapement\Core\Settings\ExpectedTimes;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Settings\SiteHabits;
use Escapement\Core\Settings\Window;
use Escapement\Core\Site\Kind;
use Escapement\Core\Site\Load;
use Escapement\Core\Site\Plant;

/** How a system behaves in an outage, in plain words made from its actual settings. Rule: field notes M10, H2; no figure that is not on the sheet. */
final readonly class OwnerWords
{
    private ExpectedTimes $expected;

    /** @param list<Load> $loads */
    public function __construct(private Plant $plant, private Settings $settings, private array $loads, private SiteHabits $habits)
    {
        $this->expected = new ExpectedTimes($plant, $settings);
    }

    /** @return list<string> what happens, in order */
    public function outage(): array
    {
        $transfer = $this->about('transfer');
        $return = self::time((int) $this->settings->returnDelayMs);
        $words = match ($this->plant->kind) {
            Kind::Standby => [
                'The power fails. For ' . self::time($this->settings->normal->dropoutDelayMs + (int) $this->settings->startDelayMs) . ' nothing happens: most failures are over by then.',
                'Then the generator starts by itself. ' . ($transfer === null ? '' : "After about $transfer altogether it carries the load. Until then it is dark."),
                "When the power is back, the generator goes on for another $return, to be sure that it stays. Then the load goes back; lights may blink once.",
                'The engine runs on for ' . self::time((int) $this->settings->cooldownMs) . ' without load to cool down, and stops by itself. That is as it should be.',
            ],
            Kind::TwoSource => [
                'The first supply fails. ' . ($transfer === null ? '' : "After about $transfer the second one carries the load. Until then it is dark."),
                "When the first supply is back, the load waits another $return, to be sure that it stays, and goes back; lights may blink once.",
            ],
            Kind::Mobile => [
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

        return [
            sprintf('%s at %02d:%02d it runs by itself for %d minutes', $often, intdiv($exercise->minute, 60), $exercise->minute % 60, $exercise->forMinutes) . ($exercise->withLoad ? ', and takes the load: it blinks twice.' : ', without load.'),
            $exercise->withLoad ? 'Look once in a while whether it did.' : 'That shows that it starts. It does not show that it carries the building: only a run with the load does.',
        ];
    }

    /** @return list<string> what to do when it does not do this; never more than a person without a tool may */
    public function trouble(): array
    {
        $words = [
            'Dark, and the engine runs: the breaker on the generator may be open. As long as it is, neither source feeds. Do not open a cover; switch large loads off and follow the maker\'s instructions for that breaker, or call.',
            'Dark, and nothing runs: look whether the selector stands on automatic. Then call.',
            'It smells of burning, smokes, or an alarm for carbon monoxide sounds: get everybody out and call for help first.',
            'What the lamps mean is in the maker\'s instructions at the switch. Any lamp that is new since today: call.',
        ];

        return $this->plant->engine === null ? [$words[1], $words[2], $words[3]] : ['Keep away from the engine: it starts by itself, at any time. Windows near the exhaust stay closed while it runs.', ...$words];
    }

    /** @return list<string> */
    private function shedding(): array
    {
        $shed = $this->settings->loadShed;
        $names = array_map(static fn(Load $load): string => $load->id, array_values(array_filter($this->loads, static fn(Load $load): bool => $load->shed)));
        if ($shed === null || $names === []) {
            return [];
        }
        $last = array_pop($names);

        return ['Not everything runs at once on the generator: ' . ($names === [] ? $last : implode(', ', $names) . " and $last") . ' ' . ($names === [] ? 'waits' : 'wait') . ', and come back one after the other, the first after ' . self::time($shed->firstStepMs) . ', as long as there is room for them.'];
    }

    private function about(string $event): ?string
    {
        $nominal = array_values(array_filter($this->expected->windows, static fn(Window $window): bool => $window->event === $event))[0]->nominalMs ?? null;

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
            default => intdiv($seconds, 60) . ' minutes ' . $seconds % 60 . ' seconds',
        };
    }
}

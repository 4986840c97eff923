<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;

/**
 * The usual tasks of the day a switch goes in, in the form `power_down` takes. Minutes are planning figures, for the technician
 * to correct. The dark window begins with the isolation: what is upstream of the work is open, tagged and proved dead before
 * anybody opens a cover. Rule: docs/rules.md#site-plan: what needs no dead supply is done before.
 */
final class PowerDownTasks
{
    private const MIN_A_FEEDER = 20;
    private const MIN_A_BOND = 10;
    private const MIN_A_GROUND = 2;
    private const MIN_A_CIRCUIT = 10;
    private const BOTH = ['Electrician', 'Helper'];
    private const ELECTRICIAN = ['Electrician'];
    private const HELPER = ['Helper'];

    /** @var list<array{id: string, name: string, who: list<string>, minutes: int, after: list<string>, dark: bool}> */
    private array $tasks = [];

    private function __construct(private readonly PowerDownWork $work) {}

    /**
     * @return array{open: array{who: list<string>, minutes: int}, close: array{who: list<string>, minutes: int},
     *     tasks: list<array{id: string, name: string, who: list<string>, minutes: int, after: list<string>, dark: bool}>}
     */
    public static function usual(PowerDownWork $work): array
    {
        $day = new self($work);
        $day->plan();
        $opener = self::opener($work);

        return ['open' => ['who' => $opener, 'minutes' => 10], 'close' => ['who' => $opener, 'minutes' => 5], 'tasks' => $day->tasks];
    }

    /** Who opens and closes the supply is not known: the day cannot be agreed. */
    public static function isOpenerKnown(PowerDownWork $work): bool
    {
        return $work->kind->isMobile()
            || ($work->upstream !== null && ($work->kind->hasGenerator() || $work->upstreamSecond !== null));
    }

    /** @return list<string> */
    private static function opener(PowerDownWork $work): array
    {
        if ($work->kind->isMobile()) {
            return self::ELECTRICIAN;
        }
        $supplies = $work->kind->hasGenerator() ? [$work->upstream] : [$work->upstream, $work->upstreamSecond];

        return array_values(array_unique(array_map(static fn(?Upstream $one): string => match ($one) {
            Upstream::Utility => 'Utility',
            Upstream::Owner => 'Owner of the upstream supply',
            null => 'Not known: who opens the supply',
            default => self::ELECTRICIAN[0],
        }, $supplies)));
    }

    private function plan(): void
    {
        $ready = $this->before();
        $dead = $this->isolate();
        $done = $this->change($dead, $ready);
        $torque = $this->add(
            'Torque and mark each lug from the list',
            self::BOTH,
            $this->isBox() ? 5 : 10,
            true,
            ...($done === [] ? [$dead] : $done),
        );
        $check = $this->isBox() && $this->work->bonds === [] ? $torque : $this->add(
            $this->work->kind->isMobile() ? 'Measure with the supplies disconnected: bonds as planned'
                : 'Measure the bonds dead: one path from neutral to ground',
            self::ELECTRICIAN,
            5,
            true,
            $torque,
        );
        $last = $this->work->isInspected === false || $this->work->kind->isMobile() ? $check : $this->add(
            'Inspection, and its release before the supply closes',
            self::ELECTRICIAN,
            15,
            true,
            $check,
        );
        $read = $this->add('Read the voltages on the controller', self::ELECTRICIAN, 10, false, $last);
        $prove = $this->add('Prove the transfer with the stopwatch', self::BOTH, 30, false, $read);
        $this->add('Walk through it with the owner', self::ELECTRICIAN, 20, false, $prove);
    }

    /** @return list<string> what has to be ready before conductors are landed */
    private function before(): array
    {
        $kind = $this->work->kind;
        if ($this->isBox()) {
            $mount = $this->add('Mount the switch box beside the panel, indoors', self::ELECTRICIAN, 30, false);
            $inlet = $this->add('Mount the generator inlet, run its cable and land it in the box', self::BOTH, 50, false, $mount);

            return [$inlet, $this->add('Photograph as found; mark the circuits that move', self::HELPER, 10, false)];
        }
        $mount = $this->add(match (true) {
            $kind->isMobile() => 'Mount the transfer relay in its bay',
            $kind === InstallationKind::EssentialCircuits => 'Mount the switch and the essential panel',
            default => 'Mount the switch and its raceways',
        }, self::BOTH, $kind->isMobile() ? 30 : 60, false);
        $pull = $this->add(
            "Pull {$this->feeders()}" . ($kind->isMobile() || ! $kind->hasGenerator() ? ', capped' : ' and the control cable, capped'),
            self::BOTH,
            self::MIN_A_FEEDER * max(1, $this->work->feeders),
            false,
            $mount,
        );

        return [
            $pull, $this->add('Photograph as found; mark what moves', self::HELPER, 10, false),
            $this->add('Lay out lugs, torque tool, labels and list', self::HELPER, 10, false, $pull),
        ];
    }

    private function isBox(): bool
    {
        return $this->work->kind === InstallationKind::PlugInBox;
    }

    private function feeders(): string
    {
        $count = max(1, $this->work->feeders);

        return $count === 1 ? '1 feeder' : "$count feeders";
    }

    /** The first task of the dark window: nothing is touched before its last word. */
    private function isolate(): string
    {
        $kind = $this->work->kind;
        if ($kind->isMobile()) {
            return $this->add(
                'Isolate: generator blocked, shore cord out, batteries and inverter off, proved dead',
                self::ELECTRICIAN,
                10,
                true,
            );
        }
        // before the supply opens: a set that waits for an outage would take it for one
        $blocked = $kind->hasGenerator()
            ? [$this->add('Block the generator from starting, as its maker says', self::ELECTRICIAN, 5, false)] : [];
        $open = fn(string $what): string => $this->add("Isolate: $what tagged open upstream", self::ELECTRICIAN, 5, true, ...$blocked);
        // with two supplies the one that is forgotten comes over by itself
        $upstream = $kind->hasGenerator() ? [$open('generator blocked from starting, supply')]
            : [$open('first supply'), $open('second supply')];
        $proved = $kind->hasGenerator() ? 'Isolate: line side proved dead' : 'Isolate: each line side proved dead';
        $lineSide = $this->add($proved, self::ELECTRICIAN, count($upstream) * 5, true, ...$upstream);

        return $this->add('Isolate: own devices open, locked, tagged and proved dead', self::ELECTRICIAN, 5, true, $lineSide);
    }

    /**
     * @param list<string> $ready
     *
     * @return list<string> everything that changes a conductor
     */
    private function change(string $dead, array $ready): array
    {
        $done = [];
        $land = static fn(string $name): string => "Land $name";
        $names = match ($this->work->kind) {
            InstallationKind::EssentialCircuits => ['the feed from the main panel in the switch', 'the feeder to the essential panel'],
            InstallationKind::PlugInBox => [], // the box hangs beside the panel, unplugged: only its circuits need the panel dark
            InstallationKind::Mobile30, InstallationKind::Mobile50 => ['shore cord and generator in the relay', 'the feeder to the panel'],
            InstallationKind::ContactorPair => ['both supplies at the contactors', 'the feeder to the distribution panel'],
            default => ['the utility side in the switch', 'the feeder to the panel'],
        };
        foreach ($names as $name) {
            $done[] = $this->add($land($name), self::ELECTRICIAN, 15, true, $dead, ...$ready);
        }
        if ($this->work->circuits > 0) {
            $count = $this->work->circuits === 1 ? '1 circuit' : $this->work->circuits . ' circuits';
            $done[] = $this->add(
                'Move ' . $count . ' to the ' . ($this->isBox() ? 'switch box' : 'essential panel'),
                self::ELECTRICIAN,
                self::MIN_A_CIRCUIT * $this->work->circuits,
                true,
                $dead,
                ...$ready,
            );
        }
        foreach ($this->work->bonds as $bond) {
            $done[] = $this->add($bond, self::ELECTRICIAN, self::MIN_A_BOND, true, $dead);
        }
        if ($this->work->grounds > 0) {
            $done[] = $this->add(
                "Move {$this->work->grounds} grounds to their own bar",
                self::HELPER,
                self::MIN_A_GROUND * $this->work->grounds,
                true,
                $dead,
            );
        }

        return $done;
    }

    /** @param list<string> $who */
    private function add(string $name, array $who, int $minutes, bool $dark, string ...$after): string
    {
        $id = (string) (count($this->tasks) + 1);
        $this->tasks[] = [
            'id' => $id, 'name' => $name, 'who' => $who, 'minutes' => $minutes, 'after' => array_values($after), 'dark' => $dark,
        ];

        return $id;
    }
}

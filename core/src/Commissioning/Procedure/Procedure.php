<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Commissioning\Service\ServiceRows;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\SettingsCheck\ExpectedTimes;
use Escapement\Core\SettingsCheck\Window;
use Escapement\Core\Topology\OutageTestPointResult;
use Escapement\Core\Topology\TestPointStatus;

/**
 * The ordered procedure for one site, made from its kind, its one-line, its settings and the chosen tests. The steps are
 * rows of core/data/procedure.php; a new kind of installation is a kind named there. Rule: docs/rules.md#procedure.
 */
final readonly class Procedure
{
    private const QUARTERS = [25, 50, 75, 100];
    /** What happens on the second source waits until the load is there. */
    private const ON_SECOND = [Stage::OnLoadChecks, Stage::BaitTest, Stage::Return_];
    private const MOTOR_DRIVEN = 'K9';
    private const ITEM = 'item:';
    private const TO_SECOND = ['simulated_outage/open', 'simulated_outage/start-generator'];

    private ExpectedTimes $expected;
    private Bands $bands;
    /** @var array<string, string> what the circuit of a panel fills into the words */
    private array $panelWords;

    /** @param ?list<StepRow> $rows instead of those in core/data/procedure.php */
    public function __construct(
        private string $kind,
        private Plant $plant,
        private Settings $settings,
        private ProcedureOptions $options = new ProcedureOptions(),
        private ?IsolationPoints $surroundings = null,
        private ?InstallationSteps $install = null,
        private ?OutageTestPointResult $testPoint = null,
        private ?Isolation $isolation = null,
        private ?array $rows = null,
        private ?BondPlaces $bondPlaces = null,
        private ?PanelWork $panel = null,
    ) {
        $this->expected = new ExpectedTimes($plant, $settings);
        $this->bands = new Bands($plant, $options);
        $this->panelWords = $panel?->words() ?? [];
    }

    /** @return array<string, list<Step>> by stage, in order; stages without a step are left out */
    public function stages(): array
    {
        $rows = $this->rows ?? $this->ownRows();
        $stages = [];
        $holds = [];
        foreach (Stage::cases() as $stage) {
            $before = $holds;
            foreach ($rows as $row) {
                if ($row->stage !== $stage || ! $row->isFor(
                    $this->kind,
                    $this->plant->kind,
                    $this->options->edition,
                ) || ! $this->holds($row->when)) {
                    continue;
                }
                foreach ($this->repeated($row) as $item) {
                    $step = $this->step($row, $item, $before);
                    $stages[$stage->value][] = $step;
                    if ($step->isHold) {
                        $holds[] = $step->id;
                    }
                }
            }
        }

        return $this->withKnownDependencies($stages);
    }

    /** @return list<Step> in order */
    public function steps(): array
    {
        return array_merge(...array_values($this->stages()));
    }

    /**
     * Which answers no longer answer what is asked now, and why.
     *
     * @param list<JudgedAnswer> $answered
     *
     * @return list<array{id: string, because: string}>
     */
    public function reopened(array $answered): array
    {
        $now = [];
        foreach ($this->steps() as $step) {
            $now[$step->id] = $step;
        }
        $reopened = [];
        foreach ($answered as $answer) {
            $step = $now[$answer->step] ?? null;
            if ($step === null) {
                $reopened[] = ['id' => $answer->step, 'because' => 'It is no longer asked; the answer stays in the record.'];
            } elseif (! $answer->answers($step)) {
                $reopened[] = ['id' => $answer->step, 'because' => "Then: $answer->expectation. Now: $step->expectation."];
            }
        }

        return $reopened;
    }

    /** @return list<StepRow> */
    private function ownRows(): array
    {
        if ($this->options->service !== null) {
            return ServiceRows::of($this->options->service);
        }
        /** @var list<StepRow> $rows */
        $rows = require __DIR__ . '/../../../data/procedure.php';

        return $rows;
    }

    private function holds(?string $when): bool
    {
        if ($when !== null && str_starts_with($when, self::ITEM)) {
            return $this->options->service?->has(substr($when, strlen(self::ITEM))) === true;
        }

        return match ($when) {
            'service_engine' => $this->options->service?->hasEngine === true,
            'service_enclosure' => $this->options->service?->hasEnclosure === true,
            null => true,
            'bait' => $this->options->hasBait && $this->expected->baitMs !== null,
            'manual' => $this->options->hasManual,
            'test_button' => $this->options->hasTestButton,
            'load_bank' => $this->options->hasLoadBank,
            'owner' => $this->options->isOwnerPresent,
            'photos' => $this->options->hasPhotos,
            'gas' => $this->options->burnsGas,
            'shedding' => $this->settings->loadShed !== null,
            'three_phase' => $this->plant->normal->isThreePhase(),
            'two_legs' => $this->plant->normal->phases > 1,
            'isolators' => $this->surroundings !== null && $this->surroundings->isolators !== [],
            'no_isolators' => $this->surroundings === null || $this->surroundings->isolators === [],
            'delayed' => $this->settings->offDelayMs > 0,
            'install' => $this->install !== null,
            'no_install' => $this->install === null,
            'upstream' => $this->isolation()->isAsked(),
            'release' => $this->install !== null && $this->isolation()->asksForRelease(),
            'bonds_unknown' => $this->install?->bondsUnknown !== null,
            'install_photos' => $this->install !== null && $this->options->hasPhotos,
            'contact_drop', 'contacts' => $this->options->hasContacts,
            'test_points' => $this->options->hasTestPoints,
            'split_phase' => $this->plant->normal->phases === 2,
            'rotation_check' => $this->settings->normal->rotationCheck,
            'class_seconds' => $this->options->classSeconds() !== null,
            'signals' => $this->options->hasSignals,
            'bypass' => $this->options->hasBypass,
            'panel' => $this->panel !== null,
            'no_panel' => $this->panel === null,
            'bank' => $this->options->hasBank,
            'handle' => $this->panel === null ? $this->kind === self::MOTOR_DRIVEN : $this->panel->hasHandle(),
            'selector' => $this->panel?->hasSelector() === true,
            default => throw new \LogicException("No condition $when."),
        };
    }

    /** @return list<RowItem> what stands behind the id, what is filled into the words, and what stands against it */
    private function repeated(StepRow $row): array
    {
        return match ($row->per) {
            RepeatedFor::Once => [match (true) {
                $this->panel !== null && $row->when !== null && $row->since > 2 => $this->panel->once($row->id),
                $row->id === 'torque-tool' && $this->install !== null => $this->install->tool(),
                $row->id === 'bonds-not-known' && $this->install?->bondsUnknown !== null => new RowItem(
                    '',
                    stoppedBy: [$this->install->bondsUnknown],
                ),
                default => new RowItem(''),
            }],
            RepeatedFor::Leg => array_map(
                static fn(string $leg): RowItem => new RowItem("-$leg", ['{leg}' => $leg]),
                array_slice(['L1', 'L2', 'L3'], 0, $this->plant->normal->phases),
            ),
            RepeatedFor::Upstream => $this->isolation()->items(array_map(
                static fn(Isolator $one): string => $one->ref,
                $this->surroundings->isolators ?? [],
            )),
            RepeatedFor::AheadIsolator => array_map($this->isolatorItem(...), $this->surroundings?->ahead() ?? []),
            RepeatedFor::Isolator => array_map($this->isolatorItem(...), $this->ownIsolators()),
            RepeatedFor::PhaseOfSource => $this->phasesOf(['first', 'second']),
            RepeatedFor::PhaseOfSecond => $this->phasesOf(['second']),
            RepeatedFor::Continuity, RepeatedFor::Dial, RepeatedFor::SelectorPosition, RepeatedFor::PhaseOfFirst => $this->panel
                ?->items($row->per) ?? [],
            RepeatedFor::LegOfSupply => array_map(static fn(string $leg): RowItem => new RowItem("-$leg", ['{leg}' => $leg]), ['L1', 'L2']),
            RepeatedFor::PoleOfSide => $this->polesOfSides(),
            RepeatedFor::SubPanel => array_map(
                static fn(array $panel): RowItem => new RowItem("-{$panel['id']}", ['{panel}' => $panel['name']]),
                $this->bondPlaces->subPanels ?? [],
            ),
            RepeatedFor::MustRun => array_map(
                static fn(string $load): RowItem => new RowItem('-' . RowItem::slug($load), ['{load}' => $load]),
                $this->options->mustRun,
            ),
            RepeatedFor::Quarter => array_map(
                static fn(int $pct): RowItem => new RowItem("-$pct", ['{pct}' => (string) $pct]),
                self::QUARTERS,
            ),
            RepeatedFor::Feeder, RepeatedFor::Enclosure, RepeatedFor::Lug, RepeatedFor::Move, RepeatedFor::MovePlace => $this->install
                ?->items($row->per) ?? [],
        };
    }

    /**
     * @param list<'first'|'second'> $sources
     *
     * @return list<RowItem>
     */
    private function phasesOf(array $sources): array
    {
        $items = [];
        foreach ($sources as $source) {
            foreach (['L1', 'L2', 'L3'] as $phase) {
                $items[] = new RowItem("-$source-$phase", [
                    '{phase}' => "$phase of the $source supply",
                    '{phase_expect}' => $source === 'first'
                        ? 'The controller declares the supply lost within its delay, starts what it starts, and transfers; with the '
                            . 'phase back it returns.'
                        : 'With the first supply good the load goes back, or is not transferred, as the sheet says.',
                ]);
            }
        }

        return $items;
    }

    /** @return list<RowItem> */
    private function polesOfSides(): array
    {
        $items = [];
        foreach (['normal', 'emergency'] as $side) {
            foreach (array_slice(['L1', 'L2', 'L3'], 0, $this->plant->normal->phases) as $leg) {
                $items[] = new RowItem("-$side-$leg", ['{pole}' => "$leg, switch in position $side"]);
            }
        }

        return $items;
    }

    private function isolation(): Isolation
    {
        return $this->isolation ?? Isolation::general();
    }

    /** @return list<Isolator> on a vehicle the shore cord has a step of its own */
    private function ownIsolators(): array
    {
        $isMobile = $this->plant->kind === PlantKind::Mobile;

        return array_values(array_filter(
            $this->surroundings?->own() ?? [],
            static fn(Isolator $one): bool => ! ($isMobile && $one->isPlug()),
        ));
    }

    private function isolatorItem(Isolator $one): RowItem
    {
        return new RowItem("-$one->ref", [
            '{open_it}' => $one->isPlug() ? 'Pull and tag the ' . lcfirst($one->name) : "Open, lock and tag {$one->name}",
            '{line}' => $one->liveFrom === [] ? 'It can be made live from elsewhere.' : 'Its line side stays live from '
                . implode(' and ', $one->liveFrom) . ' until that is opened upstream.',
        ]);
    }

    /** @return array<string, string> how the outage is made and ended; the device is decided once, by OutageTestPoint */
    private function testWords(): array
    {
        $name = $this->testPoint->name ?? 'the disconnect upstream of the sensing point';

        return $this->testPoint?->device === 'plug' ? [
            '{open_test}' => 'Pull the ' . lcfirst($name), '{close_test}' => 'Plug it in again for good',
        ] : ['{open_test}' => "Open $name", '{close_test}' => "Close $name for good"];
    }

    /** @return list<string> what stands against making an outage: no device is known that makes one */
    private function testStops(StepRow $row): array
    {
        return $row->stage === Stage::SimulatedOutage && $row->id === 'open' && $this->testPoint?->status === TestPointStatus::None
            ? [$this->testPoint->because] : [];
    }

    /** @return list<string> a delay that nobody knows is not judged */
    private function bankStops(StepRow $row): array
    {
        return $row->band === 'bank_back' && $this->options->bankReconnectS === null
            ? ['How long the bank waits before it is back is not known: enter it on the Meters page, as its maker says.'] : [];
    }

    /**
     * @param list<string> $holds of the stages before
     */
    private function step(StepRow $row, RowItem $item, array $holds): Step
    {
        $stops = [...$item->stoppedBy, ...$this->testStops($row), ...$this->bankStops($row)];
        $words = $item->words + $this->siteWords();
        $fill = static fn(string $text): string => strtr($text, $words);
        $band = $row->kind === StepKind::Measure ? $item->band ?? $this->bands->of((string) $row->band) : null;
        $window = $row->kind === StepKind::Time ? $this->window((string) $row->band) : null;
        $expectation = match (true) {
            $band !== null => $band->words(),
            $window !== null => self::windowWords($window),
            default => $fill($row->expect),
        };

        return new Step(
            $row->stage->value . '/' . $row->id . $item->suffix,
            $row->kind,
            $fill($row->title),
            $fill($row->why),
            $expectation,
            $this->expected($row, $item, $band, $window),
            $fill($row->ifNot),
            $row->hazard === null ? null : $fill($row->hazard),
            $row->isHold,
            ! $row->isHold && $row->mayBeSkipped && $stops === [],
            [
                ...$holds,
                ...(in_array($row->stage, self::ON_SECOND, true) ? self::TO_SECOND : []),
                ...array_map($fill, $row->afterIds()),
            ],
            $band,
            $window,
            $row->instrument,
            $row->choices,
            $row->asks,
            $row->tick,
            $stops,
            $row->noted,
        );
    }

    /** @return array<string, string> what the site fills into the words of any row */
    private function siteWords(): array
    {
        [$first, $second] = match ($this->plant->kind) {
            PlantKind::Standby => ['Utility', 'Generator'],
            PlantKind::TwoSource => ['First supply', 'Second supply'],
            PlantKind::Mobile => ['Shore supply', 'Generator'],
        };

        return $this->testWords() + [
            '{first}' => $first, '{first_small}' => lcfirst($first), '{second}' => $second,
            '{return}' => SheetWords::seconds((int) $this->settings->returnDelayMs),
            '{bond_place}' => $this->bondPlaces->bondPlace ?? 'the place that the bonding of the plan names',
            '{class_s}' => (string) $this->options->classSeconds(),
            ...$this->panelWords, '{circuit_first}' => $this->panel?->panel->first() ?? lcfirst($first),
            '{own}' => ($this->surroundings ?? IsolationPoints::unknown())->firstOwn(), '{release}' => $this->isolation()->release(),
        ];
    }

    /** What the step asks for as data: a band, a window, or the row with what of the site it names. */
    private function expected(StepRow $row, RowItem $item, ?Band $band, ?Window $window): string
    {
        $return = str_contains($row->expect, '{return}') ? ' return ' . (int) $this->settings->returnDelayMs : '';
        $release = str_contains($row->expect, '{release}') ? ' ' . $this->isolation()->releaseAsked() : '';
        $asked = $item->asked === '' ? '' : " $item->asked";

        return match (true) {
            $band !== null => 'band ' . $band->asked(),
            $window !== null => "window $window->minMs:$window->maxMs",
            default => "v$row->version$asked$return$release",
        };
    }

    private function window(string $event): Window
    {
        if ($event === 'bait') {
            return new Window('bait', 'bait_on', 0, $this->expected->baitMs, $this->expected->baitMs);
        }

        if (str_starts_with($event, TimedRun::BY_BUTTON)) {
            $window = (new ExpectedTimes(
                $this->plant,
                $this->settings,
                isByButton: true,
            ))->window(substr($event, strlen(TimedRun::BY_BUTTON)));

            return new Window($event, $window->from ?? 'test_on', $window?->minMs, $window?->nominalMs, $window?->maxMs);
        }

        return $this->expected->window($event) ?? new Window($event, 'utility_off', null, null, null);
    }

    private static function windowWords(Window $window): string
    {
        return $window->minMs === null
            || $window->maxMs === null ? 'never' : SheetWords::seconds($window->minMs) . ' to ' . SheetWords::seconds($window->maxMs);
    }

    /**
     * A row may wait for one that this site does not have: that wait falls away.
     *
     * @param array<string, list<Step>> $stages
     *
     * @return array<string, list<Step>>
     */
    private function withKnownDependencies(array $stages): array
    {
        $known = [];
        foreach ($stages as $steps) {
            foreach ($steps as $step) {
                $known[$step->id] = true;
            }
        }

        return array_map(static fn(array $steps): array => array_map(static function (Step $step) use ($known): Step {
            $waits = [];
            foreach ($step->dependsOn as $id) {
                $prefix = rtrim($id, '*');
                array_push(
                    $waits,
                    ...($prefix === $id ? (isset($known[$id]) ? [$id] : []) : array_filter(
                        array_keys($known),
                        static fn(string $one): bool => str_starts_with($one, $prefix),
                    )),
                );
            }

            return $step->dependingOn($waits);
        }, $steps), $stages);
    }
}

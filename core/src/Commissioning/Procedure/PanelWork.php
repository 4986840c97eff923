<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\AsBuilt\BuiltStand;
use Escapement\Core\RelayLogic\AsBuilt\BuiltTimes;
use Escapement\Core\RelayLogic\AsBuilt\DialWords;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\SettingsCheck\Window;

/**
 * What the circuit of a changeover panel asks of its procedure: what is rung out dead, which dials are read, how it stands on
 * each source alone, and what the stopwatch reads as each phase goes. Rule: docs/rules.md#panel-as-built.
 */
final readonly class PanelWork
{
    private const MS = 1000;

    public BuiltTimes $outage;

    /**
     * @param list<array{state: string, by_hand: bool, closed: list<string>}> $continuity of `terminal_list`
     * @param list<string>                                                    $stops      of its proof, in sentences; or why there is none
     * @param list<string>                                                    $differences of the sheet, in sentences
     */
    public function __construct(
        public BuiltPanel $panel,
        private array $continuity,
        private array $stops,
        private array $differences,
    ) {
        $this->outage = $panel->outage();
    }

    public function hasHandle(): bool
    {
        return $this->panel->circuit->ofType(RelayType::Handle) !== [];
    }

    public function hasSelector(): bool
    {
        return $this->panel->circuit->selector() !== null;
    }

    /** The one item of a row that is there once. */
    public function once(string $row): RowItem
    {
        return match ($row) {
            'circuit-proved' => $this->proof(),
            'sheet-agrees' => new RowItem('', stoppedBy: $this->differences),
            'click-gap' => $this->gap(),
            'handle' => $this->handle(),
            default => new RowItem(''),
        };
    }

    /** The proof of the circuit, which locks everything behind it while it has a stop. */
    private function proof(): RowItem
    {
        return new RowItem('', stoppedBy: $this->stops, asked: $this->stops === [] ? 'proved' : 'not proved');
    }

    /** @return list<RowItem> */
    public function items(RepeatedFor $per): array
    {
        return match ($per) {
            RepeatedFor::Continuity => array_map($this->continuity(...), $this->continuity),
            RepeatedFor::Dial => array_map($this->dial(...), $this->dials()),
            RepeatedFor::SelectorPosition => array_map($this->position(...), $this->panel->circuit->selector()->positions ?? []),
            RepeatedFor::PhaseOfFirst => array_map($this->phase(...), [0, 1, 2]),
            default => [],
        };
    }

    /** @return array<string, string> words of its rows that are the same for all items */
    public function words(): array
    {
        $second = (string) $this->panel->second();

        return [
            '{circuit_first}' => $this->panel->first(),
            '{circuit_second}' => $second,
            '{stand_first}' => $this->panel->alone($this->panel->first())->words(),
            '{stand_second}' => $this->panel->alone($second)->words(),
        ];
    }

    /** Between the two clicks, from a film with sound. */
    private function gap(): RowItem
    {
        $gapMs = $this->outage->gapMs;
        $asked = $gapMs === null ? 'no gap' : "gap $gapMs";

        return new RowItem(
            '',
            band: $gapMs === null ? new Band('Between the clicks', 's', null, null, couldMin: 0.0)
                : self::seconds('Between the clicks', $gapMs, 0),
            asked: $asked,
        );
    }

    /** What stands against asking for the handle: the circuit itself drives the motor against it. */
    private function handle(): RowItem
    {
        $isLocked = $this->panel->isLockedByHandle();

        return new RowItem('', stoppedBy: $isLocked === false
            ? ['By its circuit the motor moves while the handle is in: break its commands with the contact of the handle.'] : []);
    }

    /** @param array{state: string, by_hand: bool, closed: list<string>} $row */
    private function continuity(array $row): RowItem
    {
        [$device, $position] = explode(':', $row['state']) + [1 => ''];
        $how = match ($position) {
            '' => 'nothing operated',
            'in' => "$device held in" . ($row['by_hand'] ? ' by hand' : ' by its test button or a jumper'),
            'pressed' => "$device pressed",
            default => "$device at $position",
        };
        $contacts = array_column($this->panel->circuit->contacts(), null, 'id');
        /** @param array<int, string> $ids */
        $paths = static fn(array $ids): string => implode(', ', array_map(
            static fn(mixed $id): string => is_string($id) ? self::path($id, $contacts[$id] ?? null) : '',
            $ids,
        ));
        $atRest = $this->continuity[0]['closed'];
        [$more, $less] = [array_diff($row['closed'], $atRest), array_diff($atRest, $row['closed'])];
        $changes = trim(($more === [] ? '' : "Now closed: {$paths($more)}. ") . ($less === [] ? '' : "Now open: {$paths($less)}. "));

        return new RowItem(
            '-' . self::suffix(str_replace(':', '-', $row['state'])),
            [
                '{operated}' => $how,
                '{closed}' => match (true) {
                    $position === '' => $atRest === [] ? 'Everything reads open.' : "Closed: {$paths($atRest)}. All else reads open.",
                    $changes === '' => 'Nothing changes.',
                    default => "$changes All else as with nothing operated.",
                },
            ],
            asked: 'closed ' . substr(hash('sha256', implode(' ', $row['closed'])), 0, 16),
        );
    }

    private static function path(string $id, ?Contact $contact): string
    {
        return $contact === null ? "path of $id" : $contact->words() . ' in ' . explode(':', $id)[0];
    }

    /** @return list<RelayDevice> with something to turn */
    private function dials(): array
    {
        return array_values(array_filter(
            $this->panel->circuit->devices,
            static fn(RelayDevice $one): bool => $one->type === RelayType::Timer || $one->type === RelayType::PhaseRelay,
        ));
    }

    private function dial(RelayDevice $device): RowItem
    {
        $words = DialWords::of($device, $this->panel->times[$device->id]->dial ?? null);

        return new RowItem('-' . self::suffix($device->id), ['{dial}' => $device->id, '{dial_expect}' => $words], asked: $words);
    }

    private function position(string $position): RowItem
    {
        $stand = $this->panel->selected($position);

        return new RowItem(
            '-' . self::suffix($position),
            ['{position}' => $position, '{position_expect}' => $stand->words()],
            asked: self::asked($stand),
        );
    }

    private static function asked(BuiltStand $stand): string
    {
        return 'stands ' . substr(hash('sha256', $stand->words()), 0, 16);
    }

    private function phase(int $phase): RowItem
    {
        $times = $this->panel->phaseLost($phase);
        $leg = 'L' . ($phase + 1);
        $isSeen = $times->transferMs !== null;

        return new RowItem(
            "-first-$leg",
            [
                '{phase}' => "$leg of {$this->panel->first()}",
                '{phase_note}' => $times->singlePhasing
                    ? 'By the circuit the load stays on two phases until the other source is there: its motors need '
                        . 'protection of their own.'
                    : 'A controller that watches one phase only never sees the other two go: motors burn on what is left.',
            ],
            $isSeen ? self::seconds('Loss to load', (int) $times->transferMs, $this->panel->moreMs())
                : new Band('Loss to load', 's', null, null, couldMin: 0.0),
            $isSeen ? [] : ["By its circuit the panel does not go to the other source when $leg of {$this->panel->first()} is lost."],
        );
    }

    /** The window that a stopwatch has for it: a thumb is no relay. */
    private static function seconds(string $quantity, int $nominalMs, int $moreMs): Band
    {
        $window = Window::around('', '', $nominalMs, $moreMs);

        return new Band(
            $quantity,
            's',
            (int) $window->minMs / self::MS,
            (int) $window->maxMs / self::MS,
            $nominalMs / self::MS,
            couldMin: 0.0,
        );
    }

    /** As it stands in the circuit where that can stand in an id, and told apart where it cannot. */
    private static function suffix(string $name): string
    {
        return preg_match('/^[a-zA-Z0-9.-]+$/D', $name) === 1 ? $name : RowItem::slug($name);
    }
}

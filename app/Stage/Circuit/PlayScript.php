<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use Escapement\Core\RelayLogic\Play\ReadyStories;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayType;
use Illuminate\Http\Request;

/** What a circuit is played against: a ready story, or lines of one's own, as the address holds them. */
final readonly class PlayScript
{
    public const MOST_ROWS = 12;
    private const FAULTS = [
        'contactor' => ['weld', 'coil_open'], 'relay' => ['coil_open', 'stuck_on', 'stuck_off'],
        'timer' => ['coil_open', 'stuck_on', 'stuck_off'], 'phase_relay' => ['stuck_on', 'stuck_off'],
        'motor_changeover' => ['coil_open'],
    ];

    /** @var array<string, array{name: string, script: list<array<string, mixed>>, until_ms: int}> */
    public array $stories;

    public string $story;

    /** @var list<array{at: string, what: string, volts: string}> lines of one's own, as typed */
    public array $rows;

    /** @var list<array<string, mixed>> as `relay_play` reads it */
    public array $script;

    /** @var array<string, string> by field */
    public array $errors;

    public int $untilMs;

    /** @param list<string> $engines */
    public function __construct(Request $request, private RelayCircuit $circuit, private array $engines, float $nominalV)
    {
        $this->stories = (new ReadyStories($circuit, $engines, $nominalV))->all();
        $story = $request->query('story');
        $isOwn = $request->query('rows') !== null && ! is_string($story);
        $this->story = $isOwn ? '' : (is_string($story) && isset($this->stories[$story]) ? $story : 'outage');
        $this->rows = self::rowsOf($request->query('rows'));
        [$script, $errors] = $isOwn ? $this->read() : [$this->stories[$this->story]['script'], []];
        $this->script = $script;
        $this->errors = $errors;
        $last = $script === [] ? 0 : $script[count($script) - 1]['at_ms'];
        $this->untilMs = $isOwn ? min(86_400_000, (is_int($last) ? $last : 0) + 180_000) : $this->stories[$this->story]['until_ms'];
    }

    /** @return array<string, array<string, string>> what can happen, by group: verb and names as the field sends them, and the words */
    public function choices(): array
    {
        $choices = [];
        foreach ($this->circuit->failing() as $supply) {
            $id = $supply->id;
            if (in_array($id, $this->engines, true)) {
                $choices['Generator'] = ($choices['Generator'] ?? []) + [
                    "crank_failures $id" => "$id does not start", "engine_trip $id" => "$id trips", "engine_reset $id" => "$id is reset",
                ];
                continue;
            }
            $choices['Supply'] = ($choices['Supply'] ?? []) + ["volts $id" => "$id to … V", "restore $id" => "$id returns"];
            foreach ($this->circuit->isThreePhase ? [1, 2, 3] : [] as $phase) {
                $choices['Supply']["lose_phase $id $phase"] = "$id loses L$phase";
            }
            if ($this->circuit->isThreePhase) {
                $choices['Supply']["reverse $id"] = "Phase order of $id turns";
            }
        }

        return array_filter($choices + ['By hand' => $this->byHand(), 'Faults' => $this->faults()]);
    }

    /** @return array<string, string> */
    private function byHand(): array
    {
        $choices = [];
        foreach ($this->circuit->selector()->positions ?? [] as $position) {
            $choices["selector $position"] = "Selector to $position";
        }
        foreach ($this->circuit->ofType(RelayType::PushButton) as $button) {
            $choices += ["press $button->id" => "$button->id pressed", "release $button->id" => "$button->id released"];
        }
        if ($this->circuit->ofType(RelayType::Handle) !== []) {
            $choices += ['handle in' => 'Handle in', 'handle out' => 'Handle out'];
            foreach ($this->circuit->changeover() === null ? [] : ['I', '0', 'II'] as $position) {
                $choices["hand $position"] = "By hand to $position";
            }
        }

        return $choices;
    }

    /** @return array<string, string> */
    private function faults(): array
    {
        $choices = [];
        $words = new CircuitWords($this->circuit);
        foreach ($this->circuit->devices as $device) {
            foreach (self::FAULTS[$device->type->value] ?? [] as $kind) {
                if ($kind !== 'weld' || $device->isPowerContactor()) {
                    $choices["fault $kind $device->id"] = $words->fault("$kind:$device->id");
                }
            }
        }
        foreach ($this->circuit->contacts() as $contact) {
            foreach (['bridged', 'open'] as $kind) {
                $choices["fault $kind $contact->id"] = $words->fault("$kind:$contact->id");
            }
        }

        return $choices;
    }

    /** @return array{list<array<string, mixed>>, array<string, string>} script and errors */
    private function read(): array
    {
        $script = $errors = [];
        $known = array_merge(...array_values($this->choices()));
        foreach ($this->rows as $i => $row) {
            if ($row['what'] === '' && $row['at'] === '') {
                continue;
            }
            $at = str_replace(',', '.', $row['at']);
            if (! is_numeric($at) || (float) $at < 0 || (float) $at > 86_400) {
                $errors["rows.$i.at"] = 'Seconds from the start, 0 to 86 400.';
            } elseif (! isset($known[$row['what']])) {
                $errors["rows.$i.what"] = 'Choose what happens.';
            } elseif (str_starts_with($row['what'], 'volts ') && ! self::areVolts($row['volts'])) {
                $errors["rows.$i.volts"] = 'Volts line to neutral, 0 to 2000.';
            } else {
                $script[] = ['at_ms' => (int) round(1000 * (float) $at)] + self::event($row['what'], (float) $row['volts']);
            }
        }
        usort($script, static fn(array $a, array $b): int => $a['at_ms'] <=> $b['at_ms']);

        return [$script, $errors];
    }

    private static function areVolts(string $typed): bool
    {
        return is_numeric($typed) && $typed >= 0 && $typed <= 2000;
    }

    /** @return array<string, mixed> as `relay_play` reads it, without its time */
    private static function event(string $what, float $volts): array
    {
        [$verb, $name, $more] = explode(' ', $what) + ['', '', ''];

        return match ($verb) {
            'volts' => ['do' => 'set_supply', 'supply' => $name, 'v' => $volts],
            'lose_phase' => ['do' => $verb, 'supply' => $name, 'phase' => (int) $more],
            'selector', 'hand' => ['do' => $verb, 'to' => $name],
            'press', 'release' => ['do' => $verb, 'button' => $name],
            'handle' => ['do' => $verb, 'in' => $name === 'in'],
            'fault' => ['do' => $verb, 'kind' => $name, 'at' => $more],
            'crank_failures' => ['do' => $verb, 'supply' => $name, 'count' => 1000],
            default => ['do' => $verb, 'supply' => $name],
        };
    }

    /** @return list<array{at: string, what: string, volts: string}> what is played, as lines that can be changed */
    public function asRows(): array
    {
        return array_map(static function (array $event): array {
            $text = static fn(string $key): string => is_scalar($event[$key] ?? null) ? (string) $event[$key] : '';

            return [
                'at' => (string) ((int) $text('at_ms') / 1000),
                'volts' => $text('v') === '' ? '0' : $text('v'),
                'what' => trim(match ($text('do')) {
                    'set_supply' => "volts {$text('supply')}",
                    'lose_phase' => "lose_phase {$text('supply')} {$text('phase')}",
                    'selector', 'hand' => "{$text('do')} {$text('to')}",
                    'press', 'release' => "{$text('do')} {$text('button')}",
                    'handle' => 'handle ' . (($event['in'] ?? false) === true ? 'in' : 'out'),
                    'fault' => "fault {$text('kind')} {$text('at')}",
                    default => "{$text('do')} {$text('supply')}",
                }),
            ];
        }, $this->script);
    }

    /** @return array<int, int> when each line of one's own happens, in ms, by its place in the form; lines with a fault are left out */
    public function grips(): array
    {
        $grips = [];
        foreach ($this->story === '' ? $this->rows : [] as $i => $row) {
            $at = str_replace(',', '.', $row['at']);
            if ($row['what'] !== '' && is_numeric($at) && ! isset($this->errors["rows.$i.at"])) {
                $grips[$i] = (int) round(1000 * (float) $at);
            }
        }

        return $grips;
    }

    /** What a line does, in words. */
    public function words(string $what): string
    {
        return array_merge(...array_values($this->choices()))[$what] ?? $what;
    }

    /** @return list<array{at: string, what: string, volts: string}> */
    private static function rowsOf(mixed $typed): array
    {
        $rows = [];
        foreach (is_array($typed) ? array_slice(array_values($typed), 0, self::MOST_ROWS) : [] as $row) {
            $row = is_array($row) ? array_filter($row, is_string(...)) : [];
            $text = static fn(string $key): string => mb_substr(trim($row[$key] ?? ''), 0, 60);
            $rows[] = ['at' => $text('at'), 'what' => $text('what'), 'volts' => $text('volts') === '' ? '0' : $text('volts')];
        }

        return $rows;
    }
}

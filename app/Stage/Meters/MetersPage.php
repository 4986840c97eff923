<?php

declare(strict_types=1);

namespace App\Stage\Meters;

use App\Bridge\MeterFacts;
use App\Drawing\Phasor\PhasorDiagram;
use App\Models\CapacitorBank;
use App\Models\Distribution;
use App\Models\MeterReading;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Power\Metering\CtChannel;
use Escapement\Core\Power\Metering\MeterResult;
use Escapement\Core\Power\PowerFactor\BankResult;
use Illuminate\Database\Eloquent\Collection;

/** What the panel meters of a three-phase installation show, what they really mean, and whether its capacitor bank fits. */
final readonly class MetersPage
{
    private const MOST_LISTED = 20;
    private const ASSUMED_DEG = ['abc' => [0.0, -120.0, 120.0], 'acb' => [0.0, 120.0, -120.0]];

    public SiteStanding $standing;
    /** @var Collection<int, MeterReading> the newest first */
    public Collection $readings;
    /** The one that is shown. */
    public ?MeterReading $reading;
    public ?MeterResult $result;
    public ?CapacitorBank $bank;
    public ?BankResult $chosen;
    public ?Distribution $board;
    public ?string $problem;

    public function __construct(public TransferSwitch $switch, int $wanted)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $query = MeterReading::query();
        $query->where('switch_id', $switch->id)->orderByDesc('read_at')->orderByDesc('id')->limit(self::MOST_LISTED);
        $this->readings = $query->with('user')->get();
        $this->reading = $this->readings->firstWhere('id', $wanted) ?? $this->readings->first();
        $this->bank = CapacitorBank::query()->where('switch_id', $switch->id)->first();
        $this->board = Distribution::query()->where('switch_id', $switch->id)->first();
        $result = $chosen = $problem = null;
        try {
            $result = $this->reading === null ? null : MeterFacts::read($this->reading);
            $chosen = $this->bank === null ? null : MeterFacts::bank($switch, $this->bank, $this->board);
        } catch (BadInput $bad) {
            $problem = "$bad->path: {$bad->getMessage()}";
        }
        $this->result = $result;
        $this->chosen = $chosen;
        $this->problem = $problem;
    }

    /** Null while nothing is read, or where there is no voltage to draw. */
    public function phasors(): ?PhasorDiagram
    {
        $reading = $this->reading;
        if ($reading === null || $this->result === null || $reading->v_v === null) {
            return null;
        }
        $vDeg = $reading->v_deg ?? self::ASSUMED_DEG[$reading->rotation];
        $volts = $amps = [];
        foreach ([0, 1, 2] as $i) {
            $lag = rad2deg(acos(max(-1.0, min(1.0, $reading->pf[$i] ?? 1.0)))) * (($reading->lead[$i] ?? false) ? -1 : 1);
            $volts[] = ['name' => 'V' . ($i + 1), 'size' => $reading->v_v[$i], 'deg' => $vDeg[$i]];
            $amps[] = ['name' => 'I' . ($i + 1), 'size' => $reading->a_a[$i], 'deg' => $reading->i_deg[$i] ?? $vDeg[$i] - $lag];
        }

        return new PhasorDiagram($volts, $amps, $reading->v_deg === null);
    }

    /** @return list<string> what each channel really carries, in words; empty while that is not known */
    public function channels(): array
    {
        return array_map(static fn(CtChannel $one): string => "Channel $one->channel carries the transformer of L$one->onPhase"
            . ($one->reversed ? ', turned round' : '') . '.', $this->result->ctDiagnosis->channels ?? []);
    }

    /** How the transformers were judged, in one sentence. */
    public function diagnosis(): string
    {
        $by = ['angles' => 'by the angles', 'power' => 'by the power of each channel'];
        $diagnosis = $this->result?->ctDiagnosis;

        return match ($diagnosis?->status) {
            null => 'The transformers are not judged: that takes the angles, or the kilowatts of each channel.',
            'ok' => "Each channel carries its own transformer, the right way round, {$by[$diagnosis->mode]}.",
            'fault' => "They are not connected as they should be, {$by[$diagnosis->mode]}.",
            'no_load' => 'A phase has no load or no voltage: read again with load on all three.',
            default => "No connection of the transformers explains these readings, {$by[$diagnosis->mode]}.",
        };
    }

    public function rotation(): string
    {
        return match ($this->result?->rotation) {
            'abc' => 'L1, L2, L3', 'acb' => 'L1, L3, L2: backward', 'undetermined' => 'cannot be told',
            default => 'not read',
        };
    }

    public function at(MeterReading $reading): string
    {
        return $reading->read_at->copy()->setTimezone($this->switch->site->timezone)->format('j M Y H:i');
    }

    /** A figure of a list as it was kept, for its field. */
    public function typed(string $field, int $phase): string
    {
        $old = old("$field.$phase");

        return is_scalar($old) ? (string) $old : '';
    }

    /** A figure of the bank, for its field. */
    public function bankFigure(string $field): string
    {
        $old = old($field, $this->bank?->getAttribute($field));

        return is_scalar($old) ? (string) $old : '';
    }

    /** @return array<string, array{string, string}> label and unit; those of the generator where there is one */
    public function bankFields(): array
    {
        $fields = array_map(static fn(array $one): array => [$one[0], $one[1]], SaveBank::FIELDS);

        return $this->switch->site->installation->hasGenerator() ? $fields
            : array_diff_key($fields, ['generator_kw' => 1, 'generator_pf' => 1]);
    }

    public function bankSteps(): string
    {
        $old = old('steps');

        return is_string($old) ? $old : implode(', ', $this->bank->steps_kvar ?? []);
    }

    /** @return list<Finding> of meter and bank, worst first */
    public function findings(): array
    {
        return Finding::worstFirst([...$this->result->findings ?? [], ...$this->chosen->findings ?? []]);
    }

    public static function figure(?float $value, int $digits = 1): string
    {
        return $value === null ? '–' : number_format($value, $digits, '.', ' ');
    }
}

<?php

declare(strict_types=1);

namespace App\Bridge;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Terminations\Feeder;
use Escapement\Core\Wiring\Raceway\MetalFill;

/** One run of the wire schedule, computed, ready to print. */
final readonly class WireRow
{
    /** Notes that change what somebody carries or marks. */
    private const SAID_NOTES = ['aluminium-connections', 'nameplate-ocpd-used', 'wet-rating-mark', 'wire-egc'];

    /** @var array<string, mixed> what was typed, the length in metres */
    public array $run;
    public ?string $size;
    public ?float $dropPct;
    /** Null ahead of the main, and where nothing fits. */
    public ?string $egc;
    public ?float $fillPct;
    public ?string $minTradeSize;
    /** That which was chosen where it fits, else the smallest that does. */
    public string $tradeSize;
    /** @var null|array{cu: MetalFill, al: MetalFill} */
    public ?array $compare;
    /** @var list<Finding> without those that only ask to confirm the tables */
    public array $findings;
    /** @var list<WorkingLine> */
    public array $working;
    public ?string $fault;

    /** @param array<string, mixed> $run */
    public function __construct(array $run, private LegSystem $system, private Units $units)
    {
        $this->run = $run;
        $facts = new FeederFacts($run, $system);
        $conductor = $facts->conductor();
        $this->size = $conductor->size;
        $drop = $this->size === null ? null : $facts->drop($this->size);
        $ground = $this->size === null || $facts->isService() ? null : $facts->grounding();
        $raceway = $this->size === null ? null : $facts->raceway($this->size, $ground?->egc?->size);
        $this->dropPct = $drop?->dropPct;
        $this->egc = $ground?->egc?->size;
        $this->fillPct = $raceway?->fillPct;
        $this->minTradeSize = $raceway?->minTradeSize;
        $this->tradeSize = $raceway?->fits === true ? $this->typed('trade_size') : $this->minTradeSize ?? $this->typed('trade_size');
        $this->compare = $raceway?->compare;
        $this->fault = $this->size !== null
            && $raceway === null ? 'No raceway table has conductors of this size: use parallel sets.' : null;
        $answers = array_filter([$conductor, $drop, $ground, $raceway]);
        $findings = [];
        $working = [];
        foreach ($answers as $answer) {
            foreach ($answer->findings as $finding) {
                if ($finding->severity !== Severity::Note || in_array($finding->id, self::SAID_NOTES, true)) {
                    $findings[$finding->id] = $finding;
                }
            }
            array_push($working, ...$answer->working);
        }
        $this->findings = Finding::worstFirst(array_values($findings));
        $this->working = $working;
    }

    /** Null while nothing fits, or while it is not said what it joins. */
    public function feeder(): ?Feeder
    {
        if ($this->size === null || $this->typed('from') === '' || $this->typed('to') === '') {
            return null;
        }
        $phases = ['L1', 'L2', 'L3'];

        return new Feeder(
            $this->typed('name'),
            $this->typed('from'),
            $this->typed('to'),
            array_slice($phases, 0, $this->system->legs()),
            $this->typed('material'),
            $this->size,
            $this->egc,
            $this->sets(),
            $this->typed('raceway'),
            $this->tradeSize,
            (float) $this->typed('length_m'),
        );
    }

    public function sets(): int
    {
        return max(1, (int) $this->typed('sets'));
    }

    public function typed(string $key): string
    {
        $value = $this->run[$key] ?? '';

        return is_scalar($value) ? (string) $value : '';
    }

    public function length(): string
    {
        return (string) round($this->units->fromMetres((float) $this->typed('length_m')), 1);
    }
}

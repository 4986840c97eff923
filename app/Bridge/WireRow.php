<?php

declare(strict_types=1);

namespace App\Bridge;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Landing\Feeder;
use Escapement\Core\Power\System;
use Escapement\Core\Wire\BadInput;

/** One run of the wire schedule, computed, ready to print. */
final readonly class WireRow
{
    /** @var array<string, mixed> what was typed, the length in metres */
    public array $run;
    public ?string $size;
    public ?float $dropPct;
    /** Null ahead of the main, and where nothing fits. */
    public ?string $egc;
    public ?float $fillPct;
    public ?string $minTradeSize;
    /** @var null|array<string, mixed> */
    public ?array $compare;
    /** @var list<Finding> without those that only ask to confirm the tables */
    public array $findings;
    /** @var list<WorkingLine> */
    public array $working;
    public ?string $fault;

    /** @param array<string, mixed> $run */
    public function __construct(array $run, private System $system, private Units $units)
    {
        $this->run = $run;
        $facts = new RunFacts($run, $system);
        $size = $drop = $egc = $fill = $least = $compare = $fault = null;
        $answers = [];
        try {
            $answers[] = $conductor = $facts->conductor();
            $size = is_string($conductor->values['size']) ? $conductor->values['size'] : null;
            if ($size !== null) {
                $answers[] = $dropped = $facts->drop($size);
                $drop = $this->number($dropped->values['drop_pct']);
                if (! $facts->isService()) {
                    $answers[] = $ground = $facts->grounding();
                    $egc = is_array($ground->values['egc']) && is_string($ground->values['egc']['size']) ? $ground->values['egc']['size'] : null;
                }
                $answers[] = $raceway = $facts->raceway($size, $egc);
                $fill = $this->number($raceway->values['fill_pct']);
                $least = is_string($raceway->values['min_trade_size']) ? $raceway->values['min_trade_size'] : null;
                $compare = is_array($raceway->values['compare']) ? $raceway->values['compare'] : null;
            }
        } catch (BadInput $e) {
            $fault = $e->getMessage();
        }
        $this->size = $size;
        $this->dropPct = $drop;
        $this->egc = $egc;
        $this->fillPct = $fill;
        $this->minTradeSize = $least;
        $this->compare = $compare;
        $this->fault = $fault;
        $findings = [];
        $working = [];
        foreach ($answers as $answer) {
            foreach ($answer->findings as $finding) {
                if ($finding->severity !== Severity::Note || str_contains($finding->id, 'aluminium')) {
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
            $this->minTradeSize ?? $this->typed('trade_size'),
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

    private function number(mixed $value): ?float
    {
        return is_int($value) || is_float($value) ? (float) $value : null;
    }
}

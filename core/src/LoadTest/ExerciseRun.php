<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A run as it was recorded. */
final readonly class ExerciseRun
{
    /**
     * @param string                     $type         a run type, or real_outage
     * @param 'fail'|'not_proven'|'pass' $verdict
     * @param bool                       $withReadings of a real outage: recorded like a load test
     */
    public function __construct(public string $type, public string $date, public string $verdict, public bool $withReadings) {}

    /** @return list<RunType> that a passed run counts as */
    public function counts(): array
    {
        if ($this->type !== 'real_outage') {
            return [RunType::from($this->type)];
        }

        return $this->withReadings ? [RunType::Outage, RunType::BuildingLoad] : [RunType::Outage];
    }

    /** The type whose last run it may be. */
    public function judgedAs(): RunType
    {
        return $this->type === 'real_outage' ? RunType::Outage : RunType::from($this->type);
    }
}

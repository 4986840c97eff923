<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

/** How the current transformers are connected, as far as the readings tell. */
final readonly class CtDiagnosisResult
{
    /**
     * @param 'angles'|'power'                              $mode
     * @param 'fault'|'no_load'|'ok'|'undetermined'         $status
     * @param list<CtChannel>                               $channels     empty unless ok or fault
     * @param list<list<CtChannel>>                         $alternatives as plausible
     */
    public function __construct(public string $mode, public string $status, public array $channels = [], public array $alternatives = []) {}

    public function hasReversed(): bool
    {
        return $this->status === 'fault'
            && array_filter($this->channels, static fn(CtChannel $one): bool => $one->reversed) !== [];
    }

    public function wrongPhases(): int
    {
        $wrong = array_filter($this->channels, static fn(CtChannel $one): bool => $one->isWrongPhase());

        return $this->status === 'fault' ? count($wrong) : 0;
    }
}

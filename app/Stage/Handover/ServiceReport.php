<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\Run;
use App\Stage\Commissioning\ServiceWords;
use App\Stage\Upkeep\UpkeepPage;
use Escapement\Core\Commissioning\Procedure\Stage;
use Escapement\Core\Commissioning\Procedure\StepState;

/** A service visit in a few lines: the work that was done, and whatever is not plainly so. */
final readonly class ServiceReport
{
    private const WORK = [Stage::EngineService, Stage::SwitchService];

    /**
     * @param list<string> $done items of service
     * @param list<string> $open what was found, left out, is not as it should be or was not answered
     */
    private function __construct(public string $headline, public array $done, public array $open) {}

    /** @param list<ProcedureLine> $lines */
    public static function of(Run $visit, array $lines): self
    {
        $done = $open = [];
        foreach ($lines as $line) {
            [$stage, $id] = explode('/', $line->step->id, 2);
            if ($line->state === StepState::Done && in_array(Stage::from($stage), self::WORK, true) && $id !== 'closed') {
                $done[] = UpkeepPage::item($id);
            }
            if ($line->words !== null) {
                $isSaid = in_array($line->state, [StepState::Noted, StepState::Skipped, StepState::NotSo], true);
                $open[] = $isSaid ? "{$line->step->title}: " . rtrim($line->found(), '.') . '.' : $line->words;
            }
        }

        $state = $visit->isSigned()
            ? mb_strtolower(ServiceWords::VERDICTS[(string) $visit->verdict]) . ', as signed' : 'draft, not signed yet';

        return new self("Service visit: $state", $done, $open);
    }
}

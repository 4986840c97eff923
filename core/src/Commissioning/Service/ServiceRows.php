<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Service;

use Escapement\Core\Commissioning\Procedure\Stage;
use Escapement\Core\Commissioning\Procedure\StepRow;

/**
 * The rows of a service visit: those of core/data/service_visit.php, and of the proof its isolation, so that there is one way to
 * make an installation dead. Rule: docs/rules.md#service-visit.
 */
final readonly class ServiceRows
{
    /** Said at arrival already. */
    private const BRIEFING = 'briefing';
    private const BLOCK = 'block-engine';
    private const TRIED = 'engine-still';

    /** @return list<StepRow> */
    public static function of(ServiceWork $work): array
    {
        /** @var list<StepRow> $proof */
        $proof = require __DIR__ . '/../../../data/procedure.php';
        $visit = self::visit();
        $isolate = array_filter($proof, static fn(StepRow $row): bool => $row->stage === Stage::Isolate && $row->id !== self::BRIEFING
            && ($work->hasEnclosure || $row->id === self::BLOCK && $work->hasEngine));

        $rows = [];
        foreach ([...$isolate, ...$visit] as $row) {
            $isClosed = $row->stage === Stage::SwitchService && ! $work->hasEnclosure;
            if ($row->id !== self::TRIED && ! $isClosed) {
                $rows[] = $row;
            }
            if ($row->id === self::BLOCK) { // a block is tried before anything else is opened
                array_push($rows, ...array_filter($visit, static fn(StepRow $one): bool => $one->id === self::TRIED));
            }
        }

        return $rows;
    }

    /** @return list<string> items of service that are done inside of the enclosure, with all of it isolated and proved dead */
    public static function inside(): array
    {
        $rows = array_filter(
            self::visit(),
            static fn(StepRow $row): bool => $row->stage === Stage::SwitchService && $row->when === "item:$row->id",
        );

        return array_values(array_map(static fn(StepRow $row): string => $row->id, $rows));
    }

    /** @return list<StepRow> */
    private static function visit(): array
    {
        /** @var list<StepRow> */
        return require __DIR__ . '/../../../data/service_visit.php';
    }
}

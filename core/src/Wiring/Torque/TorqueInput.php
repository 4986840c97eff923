<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Torque;

use Escapement\Core\Input\BadInput;

/** The lugs of a visit. Rule: docs/rules.md#torque. */
final readonly class TorqueInput
{
    /**
     * @param string            $workDate      Y-m-d
     * @param list<TorquePoint> $points
     * @param bool              $isFirst       the lugs are made up; else looked at again
     * @param bool              $isRetorqueAll a later visit turns every lug, whatever its mark says
     * @param ?TorqueTool       $tool          null: nobody wrote it down
     *
     * @throws BadInput at a point that no table knows, or a tool calibrated after the work
     */
    public function __construct(
        public string $workDate,
        public array $points,
        public bool $isFirst = true,
        public bool $isRetorqueAll = false,
        public float $tolerancePct = 10.0,
        public ?TorqueTool $tool = null,
    ) {
        foreach ($points as $i => $point) {
            $unknown = $point->unknown();
            if ($unknown !== null) {
                throw new BadInput("/points/$i/$unknown", 'This is not in the table.');
            }
        }
        if ($tool !== null && $tool->calibratedOn > $workDate) {
            throw new BadInput('/tool/calibrated_on', 'The tool was calibrated after the work.');
        }
    }
}

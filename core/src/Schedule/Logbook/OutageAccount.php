<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/** How long the utility was away, and how long the load was dark. Rule: docs/rules.md#logbook-summary. */
final class OutageAccount
{
    public int $count = 0;
    public int $notCarried = 0;
    private float $lengthS = 0.0;
    private float $darkS = 0.0;
    private float $longestDarkS = 0.0;

    public function __construct(private readonly LogbookInput $in)
    {
        foreach ($in->inPeriod('outage') as $outage) {
            $length = (float) (min((int) $outage->end, $in->to) - $outage->at);
            $isCarried = $outage->isDone && $outage->transferS !== null;
            $back = (int) $outage->end < $in->to ? $outage->returnDarkS : 0.0;
            $dark = $isCarried ? min($length, $outage->transferS + $back) : $length;
            $this->count++;
            $this->notCarried += $isCarried ? 0 : 1;
            $this->lengthS += $length;
            $this->darkS += $dark;
            $this->longestDarkS = max($this->longestDarkS, $dark);
        }
    }

    /** @return array<string, int|float|null> */
    public function toArray(): array
    {
        $periodS = $this->in->to - $this->in->from;

        return [
            'count' => $this->count,
            'length_s' => $this->lengthS,
            'dark_s' => $this->darkS,
            'longest_dark_s' => $this->longestDarkS,
            'not_carried' => $this->notCarried,
            'carried_pct' => $this->lengthS <= 0 ? null : 100 * (1 - $this->darkS / $this->lengthS),
            'availability_pct' => 100 * (1 - $this->darkS / $periodS),
            'utility_pct' => 100 * (1 - $this->lengthS / $periodS),
        ];
    }
}

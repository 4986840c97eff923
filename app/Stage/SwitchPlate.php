<?php

declare(strict_types=1);

namespace App\Stage;

use App\Models\TransferSwitch;

/** What the plates of a switch and its source say, as papers read it. */
final readonly class SwitchPlate
{
    public function __construct(private TransferSwitch $switch) {}

    /** @param string $unknown behind the word rating, where it is not known; poles and marking are said all the same */
    public function rating(string $unknown): string
    {
        return implode(', ', array_filter([
            $this->switch->rating_a ? "{$this->switch->rating_a} A" : "rating $unknown",
            $this->switch->poles ? "{$this->switch->poles} poles" : '',
            $this->switch->service_rated ? 'service-rated' : '',
        ]));
    }

    /** @param string $unknown where the fuel is not known */
    public function source(string $unknown): string
    {
        $fuel = $this->switch->fuel;

        return $fuel === null ? $unknown : ($this->switch->rated_kw[$fuel->value] ?? '?') . ' kW on ' . $fuel->label();
    }
}

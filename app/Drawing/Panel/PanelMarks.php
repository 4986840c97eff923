<?php

declare(strict_types=1);

namespace App\Drawing\Panel;

use App\Models\CapacitorBank;
use App\Models\Distribution;
use App\Models\MeterReading;
use App\Models\TransferSwitch;
use App\Models\Way;

/** What the one-line of a three-phase panel shows beside its boxes, as it was surveyed; null: not known. */
final readonly class PanelMarks
{
    /** @param list<Way> $ways in their order on the board */
    private function __construct(
        public ?int $poles,
        public ?bool $firstEarthed,
        public ?bool $secondEarthed,
        public ?string $transformers,
        public ?float $bankKvar,
        public ?string $busbar,
        public array $ways,
    ) {}

    /** Null where the installation has no three phases. Needs of the switch: site. */
    public static function of(TransferSwitch $switch): ?self
    {
        if (! $switch->site->installation->isThreePhase()) {
            return null;
        }
        $board = Distribution::query()->where('switch_id', $switch->id)->first();
        $bank = CapacitorBank::query()->where('switch_id', $switch->id)->first();
        $meter = MeterReading::query()->where('switch_id', $switch->id)->whereNotNull('ct_primary_a')->orderByDesc('read_at')->first();
        $kvar = $bank === null ? 0.0 : (float) $bank->fixed_kvar + array_sum($bank->steps_kvar);
        $ratings = array_filter([
            $board?->busbar_a === null ? null : self::number($board->busbar_a) . "\u{202F}A",
            $board?->busbar_icw_ka === null ? null : self::number($board->busbar_icw_ka) . "\u{202F}kA",
        ]);

        return new self(
            $board->poles ?? $switch->poles,
            $board?->first_earthed,
            $board?->second_earthed,
            $meter === null ? null : self::number((float) $meter->ct_primary_a) . '/' . self::number((float) $meter->ct_secondary_a),
            $kvar > 0 ? $kvar : null,
            $ratings === [] ? null : implode(', ', $ratings),
            Way::of($switch->id),
        );
    }

    public static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.');
    }
}

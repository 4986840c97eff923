<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\CapacitorBank;
use App\Models\Distribution;
use App\Models\MeterReading;
use App\Models\TransferSwitch;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\Metering\MeterInput;
use Escapement\Core\Power\Metering\MeterResult;
use Escapement\Core\Power\Metering\ThreePhaseMeter;
use Escapement\Core\Power\PowerFactor\BankResult;
use Escapement\Core\Power\PowerFactor\PowerFactorBank;
use Escapement\Core\Wire\Power\PowerFactorBankReader;
use Escapement\Core\Wire\Power\ThreePhaseMeterReader;

/** Panel meters and the capacitor bank of a three-phase installation as the core's calculations take them. */
final readonly class MeterFacts
{
    /**
     * @param array<string, mixed> $columns of a MeterReading
     *
     * @throws BadInput with its path in the input of three_phase_meter
     */
    public static function meter(array $columns): MeterInput
    {
        $ct = array_filter([
            'primary_a' => $columns['ct_primary_a'] ?? null, 'secondary_a' => $columns['ct_secondary_a'] ?? null,
            'meter_primary_a' => $columns['meter_primary_a'] ?? null, 'meter_secondary_a' => $columns['meter_secondary_a'] ?? null,
        ], static fn(mixed $one): bool => $one !== null);

        return (new ThreePhaseMeterReader())->input(Node::fromArray(array_filter([
            'v_v' => $columns['v_v'] ?? null, 'v_ll_v' => $columns['v_ll_v'] ?? null, 'i_a' => $columns['a_a'] ?? null,
            'pf' => $columns['pf'] ?? null, 'lead' => $columns['lead'] ?? null, 'v_deg' => $columns['v_deg'] ?? null,
            'i_deg' => $columns['i_deg'] ?? null, 'kw_meter' => $columns['kw'] ?? null, 'neutral_a' => $columns['neutral_a'] ?? null,
            'rotation_expected' => $columns['rotation'] ?? null, 'ct' => $ct === [] ? null : $ct,
        ], static fn(mixed $one): bool => $one !== null)));
    }

    /** @throws BadInput */
    public static function read(MeterReading $reading): MeterResult
    {
        return (new ThreePhaseMeter())->read(self::meter(array_diff_key($reading->attributesToArray(), ['id' => 1])));
    }

    /** @throws BadInput with its path in the input of power_factor_bank */
    public static function bank(TransferSwitch $switch, CapacitorBank $bank, ?Distribution $board): BankResult
    {
        $isIec = $switch->site->units === 'metric';
        $stage = static fn(float $kvar): array => ['kvar' => $kvar] + ($bank->rated_v === null ? [] : ['rated_v' => $bank->rated_v]);
        $kva = $switch->site->installation->hasGenerator() ? $board?->generator_kva : null;

        return (new PowerFactorBank())->choose((new PowerFactorBankReader())->input(Node::fromArray(array_filter([
            'kw' => $bank->kw, 'pf' => $bank->pf, 'target_pf' => $bank->target_pf, 'v_ll_v' => $bank->v_ll_v,
            'fixed' => $bank->fixed_kvar === null ? null : $stage($bank->fixed_kvar) + ['switchable' => $bank->fixed_switchable],
            'steps' => array_map(static fn(mixed $one): array => $stage((float) $one), $bank->steps_kvar),
            'rules' => $isIec ? 'iec' : 'nec', 'discharge_s' => $bank->discharge_s, 'reconnect_s' => $bank->reconnect_s,
            'system_kva' => $bank->system_kva, 'nonlinear_pct' => $bank->nonlinear_pct, 'detuned' => $bank->detuned,
            'generator' => $kva === null || $bank->generator_kw === null ? null : [
                'rated_kva' => $kva, 'kw' => $bank->generator_kw, 'pf' => $bank->generator_pf ?? 1.0,
            ],
        ], static fn(mixed $one): bool => $one !== null))));
    }
}

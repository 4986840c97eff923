<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Run;
use App\Models\Sheet;
use App\Models\TransferSwitch;
use Escapement\Core\Commissioning\Proof\ProofBasis;
use Escapement\Core\Commissioning\Proof\ProofPart;

/**
 * What a proof rests on, as it is now or as it was when a run was begun, by the keys of core/data/proof_facts.php.
 * Needs of the switch: site, loads, plan, circuit.
 */
final readonly class ProofFacts
{
    private const UNKNOWN = 'not known';

    /** How runs from before wrote them down. */
    private const KEYS_OF_LABELS = [
        'Kind' => 'installation', 'Service' => 'service', 'Rating of the switch' => 'switch_rating', 'Poles' => 'poles',
        'Service-rated' => 'service_rated', 'Fuel' => 'fuel',
        'Generator' => 'source_rating', 'Supply' => 'supply',
    ];

    /** @return array<string, string> survey, plan and the newest sheet */
    public static function now(TransferSwitch $switch): array
    {
        return self::ofSite($switch) + ($switch->sheet === null ? [] : self::ofSheet($switch->sheet));
    }

    /** @return array<string, string> what a run rests on: the survey and the plan as it was begun with, and its own sheet */
    public static function ofRun(Run $run): array
    {
        $kept = $run->surveyed['proof_facts'] ?? null;
        /** @var array<string, string> $site */
        $site = is_array($kept) ? $kept : self::fromLabels($run->surveyed['facts'] ?? null);

        return $site + self::ofSheet($run->sheet);
    }

    /** @return array<string, string> what a load test rests on, of the site as it is now */
    public static function ofLoadTest(TransferSwitch $switch): array
    {
        return (new ProofBasis())->of(ProofPart::LoadTest, self::ofSite($switch));
    }

    /** @return array<string, string> */
    public static function ofSite(TransferSwitch $switch): array
    {
        $facts = self::ofSwitch($switch) + self::ofPlan($switch) + self::ofSource($switch);
        $facts['load_total'] = round((float) $switch->loads->sum(static fn($load): float => (float) $load->kw), 2) . ' kW';
        if ($switch->circuit !== null) {
            $facts['circuit'] = self::print([$switch->circuit->stamp, json_decode($switch->circuit->times, true)]);
        }
        foreach ($switch->loads as $load) {
            $facts["load:$load->name"] = (float) $load->kw . ' kW';
        }

        return $facts;
    }

    /** @return array<string, string> */
    private static function ofSwitch(TransferSwitch $switch): array
    {
        $amps = static fn(?int $a): string => $a === null ? self::UNKNOWN : "$a A";

        return [
            'installation' => $switch->site->installation->label(), 'service' => $amps($switch->site->service_a),
            'switch_rating' => $amps($switch->rating_a), 'poles' => (string) ($switch->poles ?? self::UNKNOWN),
            'service_rated' => $switch->service_rated ? 'yes' : 'no',
            'upstream' => is_string($switch->survey['upstream'] ?? null) ? $switch->survey['upstream'] : self::UNKNOWN,
            'test_point' => $switch->test_disconnect ?? $switch->test_device ?? self::UNKNOWN,
        ];
    }

    /** @return array<string, string> */
    private static function ofPlan(TransferSwitch $switch): array
    {
        $facts = $switch->plan->facts ?? [];
        $landing = $switch->plan->landing ?? [];
        $known = static fn(string $key, string $no, string $yes): string => ! isset($facts[$key]) ? self::UNKNOWN
            : ($facts[$key] ? $yes : $no);
        $bond = static fn(string $name, string $key): string => "$name {$known($key, 'out', 'in')}";

        return [
            'neutral' => $known('neutral_switched', 'solid', 'switched'),
            'bonds' => implode(
                ', ',
                [$bond('source', 'generator_bonded'), $bond('panel', 'panel_bonded'), $bond('service', 'service_bonded')],
            ),
            'panels' => self::print($facts['panels'] ?? []), 'feeders' => self::print($switch->plan->runs ?? []),
            'landing' => self::print($landing['enclosures'] ?? []),
            'controls' => self::print([$landing['controls'] ?? [], $landing['jumpers'] ?? []]),
        ];
    }

    /** @return array<string, string> */
    private static function ofSource(TransferSwitch $switch): array
    {
        $normal = is_array($switch->plant['sources']['normal'] ?? null) ? $switch->plant['sources']['normal'] : [];
        $kw = $switch->fuel === null ? null : ($switch->rated_kw[$switch->fuel->value] ?? null);

        return [
            'supply' => ($normal['nominal_v'] ?? '?') . ' V, ' . ($normal['nominal_hz'] ?? '?') . ' Hz',
            'fuel' => $switch->fuel?->label() ?? self::UNKNOWN,
            'source_rating' => $kw === null ? self::UNKNOWN : "$kw kW", 'engine' => self::print($switch->plant['engine'] ?? []),
        ];
    }

    /** @return array<string, string> */
    private static function ofSheet(Sheet $sheet): array
    {
        $settings = $sheet->settings;
        $ms = static fn(string $key): string => is_numeric($settings[$key] ?? null) ? round(
            (float) $settings[$key] / 1000,
            3,
        ) . ' s' : 'none';
        $dropoutMs = $settings['sensing']['normal']['dropout_delay_ms'] ?? null;

        return [
            'sensing' => self::print($settings['sensing'] ?? []), 'start_delay' => $ms('start_delay_ms'),
            'transfer_delay' => $ms('transfer_delay_ms'), 'return_delay' => $ms('return_delay_ms'),
            'cooldown' => $ms('cooldown_ms'), 'min_run' => $ms('min_run_ms'),
            'transition' => implode(', ', [(string) ($settings['transition'] ?? 'open'), $ms('travel_ms'), $ms('off_delay_ms')]),
            'dropout_delay' => is_numeric($dropoutMs) ? round((float) $dropoutMs / 1000, 3) . ' s' : 'none',
            'shedding' => self::print($settings['load_shed'] ?? []),
        ];
    }

    /** @return array<string, string> */
    private static function fromLabels(mixed $facts): array
    {
        $keyed = [];
        foreach (is_array($facts) ? $facts : [] as $label => $value) {
            $label = (string) $label;
            $key = self::KEYS_OF_LABELS[$label] ?? (str_starts_with($label, 'Load ') ? 'load:' . substr($label, 5) : null);
            if ($key !== null && is_string($value)) {
                $keyed[$key] = $value;
            }
        }

        return $keyed;
    }

    /** A few characters that stand for something longer: equal when it is equal, whatever the order of its keys. */
    private static function print(mixed $value): string
    {
        $sorted = static function (mixed $one) use (&$sorted): mixed {
            if (is_array($one) && ! array_is_list($one)) {
                ksort($one, SORT_STRING);
            }

            return is_array($one) ? array_map($sorted, $one) : (is_numeric($one) ? (float) $one : $one);
        };

        return substr(hash('sha256', json_encode($sorted($value), JSON_THROW_ON_ERROR)), 0, 12);
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\RelativeTolerance;

/** What several of the wiring calculations read and say alike. Rule: docs/rules.md#wiring-conventions, docs/rules.md#conductor. */
final class WiringFields
{
    /** @param non-empty-list<int> $allowed */
    public static function oneInt(Fields $in, string $key, array $allowed, int $default): int
    {
        return self::maybeOneInt($in, $key, $allowed) ?? $default;
    }

    /** @param non-empty-list<int> $allowed */
    public static function maybeOneInt(Fields $in, string $key, array $allowed): ?int
    {
        $value = $in->maybeInt($key, min($allowed), max($allowed));
        if ($value !== null && ! in_array($value, $allowed, true)) {
            throw $in->at($key)->bad('This must be one of: ' . implode(', ', $allowed) . '.');
        }

        return $value;
    }

    public static function size(Fields $in, string $key, string $material = 'cu', ?string $default = null): string
    {
        return self::maybeSize($in, $key, $material) ?? $default ?? throw BadInput::missing($in->node->at($key, null)->path);
    }

    public static function maybeSize(Fields $in, string $key, string $material = 'cu'): ?string
    {
        $size = $in->maybeOneOf($key, Sizes::AWG);
        if ($size === '14' && $material === 'al') {
            throw $in->at($key)->bad('14 AWG aluminium does not exist.');
        }

        return $size;
    }

    /** @throws BadInput at the key of a size that is not made of aluminum */
    public static function refuseSmallAluminum(Fields $in, string $key, ?string $size, string $material): void
    {
        if ($size === '14' && $material === 'al') {
            throw $in->at($key)->bad('14 AWG aluminum does not exist.');
        }
    }

    /** @return array{?float, ?float} feet, metres, as given */
    public static function lengths(Fields $in): array
    {
        return [$in->maybeNumber('length_ft', 0.01, 100_000), $in->maybeNumber('length_m', 0.01, 100_000)];
    }

    /** @throws BadInput unless exactly one of both is given */
    public static function feet(Fields $in, ?float $feet, ?float $metres): float
    {
        if (($feet === null) === ($metres === null)) {
            throw $in->node->at('length_ft', null)->bad('The length is needed once: in feet or in metres.');
        }

        return $feet ?? (float) $metres / VoltageDrop::METRES_PER_FOOT;
    }

    /** @return array{float, float} continuous and other amps */
    public static function load(Fields $in): array
    {
        return [$in->number('continuous_a', 0, 2000, 0.0), $in->number('noncontinuous_a', 0, 2000, 0.0)];
    }

    public static function needsLoad(Fields $in, float $continuousA, float $otherA): void
    {
        if ($continuousA === 0.0 && $otherA === 0.0) {
            throw $in->node->at('continuous_a', null)->bad('A load is needed, continuous or not.');
        }
    }

    public static function ocpdFindings(Findings $findings, float $ocpdA, float $requiredA, bool $isNotStandard): void
    {
        if (RelativeTolerance::isOver($requiredA, $ocpdA)) {
            $findings->raise('ocpd-below-load', ['ocpd_a' => $ocpdA, 'required_a' => $requiredA]);
        }
        if ($isNotStandard) {
            $findings->raise('ocpd-not-standard', ['ocpd_a' => $ocpdA]);
        }
    }

    public static function closing(Findings $findings, string $material): void
    {
        if ($material === 'al') {
            $findings->raise('aluminium-connections');
        }
        self::confirm($findings);
    }

    public static function confirm(Findings $findings): void
    {
        $findings->raise('confirm-code');
    }
}

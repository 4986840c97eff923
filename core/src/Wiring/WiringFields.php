<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Findings;
use Escapement\Core\Internal\Relative;
use Escapement\Core\Wire\BadInput;
use Escapement\Core\Wire\Fields;

/** What several of the wiring calculations read and say alike. Rule: wiring §1, §2. */
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

    /** @return array{float, float} continuous and other amps */
    public static function load(Fields $in): array
    {
        return [$in->number('continuous_a', 0, 2000, 0.0), $in->number('noncontinuous_a', 0, 2000, 0.0)];
    }

    public static function needsLoad(Fields $in, float $continuousA, float $otherA): void
    {
        if ($continuousA == 0.0 && $otherA == 0.0) {
            throw $in->node->at('continuous_a', null)->bad('A load is needed, continuous or not.');
        }
    }

    public static function ocpdFindings(Findings $findings, float $ocpdA, float $requiredA, bool $isNotStandard): void
    {
        if (Relative::isOver($requiredA, $ocpdA)) {
            $findings->stop('ocpd-below-load', sprintf('%g A is less than the %g A it has to carry', $ocpdA, $requiredA), 'It trips in ordinary use. Take the next standard size, and a conductor for it.');
        }
        if ($isNotStandard) {
            $findings->note('ocpd-not-standard', sprintf('%g A is no standard size', $ocpdA), 'An adjustable device may be set so; then its setting must be marked.');
        }
    }

    public static function closing(Findings $findings, string $material): void
    {
        if ($material === 'al') {
            $findings->note('aluminium-connections', 'Aluminium needs listed terminals and its exact torque', 'Use lugs marked AL, compound where the maker asks for it, and torque them.');
        }
        self::confirm($findings);
    }

    public static function confirm(Findings $findings): void
    {
        $findings->note('confirm-code', 'The tables are to be confirmed', 'The edition in force, local amendments, the maker\'s data and the authority come first. A licensed electrician installs, de-energised.');
    }
}

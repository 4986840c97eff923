<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Check;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Site\Load;

/** Whether the source carries what is left on it. Rule: settings §1. */
final readonly class SheddingRules implements Rules
{
    public function judge(CheckInput $in): array
    {
        return [
            $this->shedLimitOverSource($in),
            $this->noSheddingOverload($in),
            $this->shedNothing($in),
            $this->unshedOverload($in),
            $this->compressorLockoutShort($in),
        ];
    }

    private function shedLimitOverSource(CheckInput $in): ?Finding
    {
        $shed = $in->settings->loadShed;

        return $shed === null || $in->sourceKw === null || ! Slack::exceeds($shed->limitKw, $in->sourceKw) ? null : new Finding(
            'shed-limit-over-source',
            Severity::Stop,
            "Shedding keeps the load under {$shed->limitKw} kW, the source gives {$in->sourceKw} kW.",
            'The source trips on overload before anything is shed.',
            '/settings/load_shed/limit_kw',
            ['load_shed' => ['limit_kw' => $in->sourceKw]],
        );
    }

    private function noSheddingOverload(CheckInput $in): ?Finding
    {
        $kw = $in->kwOf(static fn(): bool => true);

        return $in->settings->loadShed !== null || $in->sourceKw === null || ! Slack::exceeds($kw, $in->sourceKw) ? null : new Finding(
            'no-shedding-overload',
            Severity::Stop,
            "All loads together draw $kw kW, the source gives {$in->sourceKw} kW, and nothing is shed.",
            'The generator stalls or trips the moment it takes the load.',
            '/settings/load_shed',
        );
    }

    private function shedNothing(CheckInput $in): ?Finding
    {
        foreach ($in->loads as $load) {
            if ($load->shed) {
                return null;
            }
        }

        return $in->settings->loadShed === null ? null : new Finding(
            'shed-nothing',
            Severity::Warn,
            'Shedding is set, and no load may be shed.',
            'A limit that nothing obeys protects nobody.',
            '/settings/load_shed',
        );
    }

    private function unshedOverload(CheckInput $in): ?Finding
    {
        $shed = $in->settings->loadShed;
        $kw = $in->kwOf(static fn(Load $load): bool => ! $load->shed);

        return $shed === null || ! Slack::exceeds($kw, $shed->limitKw) ? null : new Finding(
            'unshed-overload',
            Severity::Stop,
            "What may not be shed draws $kw kW already, over the limit of {$shed->limitKw} kW.",
            'Shedding everything else would not be enough.',
            '/settings/load_shed/limit_kw',
        );
    }

    private function compressorLockoutShort(CheckInput $in): ?Finding
    {
        $shed = $in->settings->loadShed;
        if (! $in->hasCompressor || $shed === null) {
            return null;
        }
        $fix = ($shed->lockoutMs < 180_000 ? ['lockout_ms' => 180_000] : []) + ($shed->firstStepMs < 5000 ? ['first_step_ms' => 5000] : []);

        return $fix === [] ? null : new Finding(
            'compressor-lockout-short',
            Severity::Warn,
            'A compressor may be let back on too soon.',
            'Its pressure has not equalised; it stalls, draws locked-rotor current and trips.',
            '/settings/load_shed/' . array_key_first($fix),
            ['load_shed' => $fix],
        );
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SiteHabits;

/** All that a settings check looks at, with what it is compared to worked out once. */
final readonly class CheckInput
{
    public ExpectedTimes $expected;

    /**
     * @param list<Load>     $loads
     * @param int|float|null $demandKw calculated or measured, of all that is transferred
     */
    public function __construct(
        public Application $application,
        public Plant $plant,
        public Settings $settings,
        public array $loads = [],
        public int|float|null $sourceKw = null,
        public int|float $largestMotorHp = 0,
        public bool $hasCompressor = false,
        public SiteHabits $site = new SiteHabits(),
        public int|float|null $demandKw = null,
        public ?FrequencyShedding $frequencyShedding = null,
    ) {
        $this->expected = new ExpectedTimes($plant, $settings);
    }

    public function isMobile(): bool
    {
        return $this->plant->kind === PlantKind::Mobile;
    }

    public function isStandby(): bool
    {
        return $this->plant->kind === PlantKind::Standby;
    }

    public function isOneOf(Application ...$applications): bool
    {
        return in_array($this->application, $applications, true);
    }

    /**
     * The sources a finding on "either" looks at: a mobile relay does not watch shore power.
     *
     * @return array<string, array{Sensing, Source}>
     */
    public function judgedSources(): array
    {
        $normal = ['normal' => [$this->settings->normal, $this->plant->normal]];
        $emergency = ['emergency' => [$this->settings->emergency, $this->plant->emergency]];

        return $this->isMobile() ? $emergency : $normal + $emergency;
    }

    /** Whether an engine feeds the emergency source: on standby and on vehicles. */
    public function hasEngine(): bool
    {
        return $this->plant->engine !== null;
    }

    /** What the source carries while nothing is shed by the controller: the demand where it is known, else the nameplates. */
    public function allKw(): int|float
    {
        return $this->demandKw !== null && $this->frequencyShedding === null ? $this->demandKw : $this->keptKw(static fn(): bool => true);
    }

    /** What stays on when the controller has shed. */
    public function restKw(): int|float
    {
        return $this->keptKw(static fn(Load $load): bool => ! $load->shed);
    }

    /** @param \Closure(Load): bool $which */
    private function keptKw(\Closure $which): int|float
    {
        $going = $this->frequencyShedding->loads ?? [];
        $kw = 0;
        foreach ($this->loads as $load) {
            $kw += $which($load) && ! in_array($load->id, $going, true) ? $load->kw : 0;
        }

        return $this->demandKw === null ? $kw : min($kw, $this->demandKw);
    }
}

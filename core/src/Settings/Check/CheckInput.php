<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Check;

use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\ExpectedTimes;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SiteHabits;
use Escapement\Core\Site\Kind;
use Escapement\Core\Site\Load;
use Escapement\Core\Site\Plant;
use Escapement\Core\Site\Source;

/** All that a settings check looks at, with what it is compared to worked out once. */
final readonly class CheckInput
{
    public ExpectedTimes $expected;

    /** @param list<Load> $loads */
    public function __construct(
        public Application $application,
        public Plant $plant,
        public Settings $settings,
        public array $loads = [],
        public int|float|null $sourceKw = null,
        public int|float $largestMotorHp = 0,
        public bool $hasCompressor = false,
        public SiteHabits $site = new SiteHabits(),
    ) {
        $this->expected = new ExpectedTimes($plant, $settings);
    }

    public function isMobile(): bool
    {
        return $this->plant->kind === Kind::Mobile;
    }

    public function isStandby(): bool
    {
        return $this->plant->kind === Kind::Standby;
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

    /** @param callable(Load): bool $which */
    public function kwOf(callable $which): int|float
    {
        return array_sum(array_map(static fn(Load $load): int|float => $load->kw, array_filter($this->loads, $which)));
    }
}

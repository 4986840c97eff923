<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\TransferSwitch;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SiteHabits;
use Escapement\Core\SettingsCheck\CheckInput;
use Escapement\Core\SettingsCheck\ExpectedTimes;
use Escapement\Core\SettingsCheck\SettingsCheck;
use Escapement\Core\SettingsCheck\SettingsCheckResult;
use Escapement\Core\Wire\CheckReader;
use Escapement\Core\Wire\EventReader;
use Escapement\Core\Wire\PlantReader;
use Escapement\Core\Wire\SettingsReader;

/** A stored switch as the core wants it. */
final readonly class SwitchFacts
{
    public Plant $plant;

    /** @param null|array<string, mixed> $plantThen the plant as it was when something was done with it; now, without */
    public function __construct(public TransferSwitch $switch, ?array $plantThen = null)
    {
        $this->plant = (new PlantReader())->plant(Node::fromArray($plantThen ?? $switch->plant));
    }

    /**
     * @param array<string, mixed> $settings on the wire
     *
     * @throws BadInput with its path within the settings
     */
    public function settings(array $settings): Settings
    {
        return (new SettingsReader())->settings(Node::fromArray($settings), $this->plant);
    }

    /** @return list<Load> that the transfer switch carries */
    public function loads(): array
    {
        return array_map(
            static fn(LoadItem $item): Load => new Load($item->name, (float) $item->kw, $item->priority, $item->shed, $item->compressor),
            (new PlanFacts($this->switch, $this->switch->plan))->transferred(),
        );
    }

    /** What all that is transferred asks for, where somebody vouches for it; of essential circuits nobody has calculated it. */
    public function demandKw(): ?float
    {
        $plan = $this->switch->plan;

        return $plan?->choice === 'essential' ? null : (new DecideFacts(new PlanFacts($this->switch, $plan)))->demandKw();
    }

    /** What the source gives at this site, the same as on the plan: derated, and through its breaker or outlet. */
    public function sourceKw(): ?float
    {
        return (new SourceFacts($this->switch, SourceFacts::systemOf($this->switch)))->figures()?->usableKw;
    }

    /**
     * @param array<string, mixed> $habits exercise, quiet hours and load tests as agreed on site
     */
    public function check(Settings $settings, array $habits): SettingsCheckResult
    {
        $site = array_filter($habits, static fn(mixed $value): bool => $value !== null);
        if ($this->switch->fuel !== null) {
            $site['fuel'] = $this->switch->fuel->value;
        }

        return (new SettingsCheck())->check(new CheckInput(
            $this->switch->application,
            $this->plant,
            $settings,
            $this->loads(),
            $this->sourceKw(),
            (float) $this->switch->largest_motor_hp,
            $this->switch->has_compressor,
            self::habits($site),
            $this->demandKw(),
        ));
    }

    /**
     * The same as `settings_check` takes it on the command line.
     *
     * @param array<string, mixed> $habits as agreed on site
     *
     * @return array<string, mixed>
     */
    public function checkInput(Settings $settings, array $habits): array
    {
        $site = array_filter(
            $habits,
            static fn(mixed $value): bool => $value !== null,
        ) + ($this->switch->fuel === null ? [] : ['fuel' => $this->switch->fuel->value]);
        $sourceKw = $this->sourceKw();

        return [
            'application' => $this->switch->application->value, 'system' => $this->plant->toArray(), 'settings' => $settings->toWire(),
            'loads' => array_map(static fn(Load $load): array => $load->toArray(), $this->loads()),
            'largest_motor_hp' => (float) $this->switch->largest_motor_hp, 'has_compressor' => $this->switch->has_compressor,
            'site' => (object) $site,
        ] + array_filter(['source_kw' => $sourceKw, 'demand_kw' => $this->demandKw()], static fn(?float $kw): bool => $kw !== null);
    }

    /** @param array<string, mixed> $habits as agreed on site */
    public static function habits(array $habits): SiteHabits
    {
        return (new CheckReader())->site(Node::fromArray((object) array_filter($habits, static fn(mixed $value): bool => $value !== null)));
    }

    public function expected(Settings $settings): ExpectedTimes
    {
        return new ExpectedTimes($this->plant, $settings);
    }

    /**
     * @param list<array<string, mixed>> $events
     *
     * @throws BadInput
     */
    public function scenario(Settings $settings, array $events, int $untilMs): Scenario
    {
        $loads = $this->loads();
        $told = new Node(Node::fromArray($events)->value, '/events');

        return new Scenario(
            $this->plant,
            $settings,
            (new EventReader($this->plant, $loads))->events($told),
            $untilMs,
            $loads,
            sourceKw: $this->sourceKw(),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;
use App\Bridge\Units;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Materials\Calibration;
use Escapement\Core\Materials\LockCount;
use Escapement\Core\Materials\MaterialGroup;
use Escapement\Core\Materials\MaterialLine;
use Escapement\Core\Materials\MaterialsList;
use Escapement\Core\Settings\Fuel;
use Illuminate\Support\Carbon;

/** The pack list of a switch, with what is ticked off. */
final readonly class PackPage
{
    public SiteStanding $standing;
    public Units $units;
    /** @var list<MaterialLine> */
    public array $lines;
    /** @var array<string, array{by: string, at: string}> */
    public array $ticks;
    /** @var list<array{name: string, quantity: string}> */
    public array $own;
    /** @var array<string, string> dates by the key of a gauge */
    public array $calibrated;
    public Carbon $day;

    public function __construct(public TransferSwitch $switch)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->units = new Units($switch->site->units);
        $kept = $switch->plan->pack ?? [];
        $this->ticks = $kept['ticks'] ?? [];
        $this->own = array_values($kept['own'] ?? []);
        $this->calibrated = $kept['calibrated'] ?? [];
        $landing = new LandingPage($switch);
        $sockets = [];
        foreach ($landing->enclosures as $table) {
            foreach ($table->lines as $line) {
                if ($line['screw'] === 'hex_socket' && isset($line['socket_in'])) {
                    $sockets[(string) $line['socket_in']] = true;
                }
            }
        }
        $facts = new PlanFacts($switch, $switch->plan);
        $this->lines = (new MaterialsList(
            $switch->site->installation,
            $landing->work->feeders,
            $landing->work->bonding->groundsToMove(),
            count($landing->controls),
            array_map(strval(...), array_keys($sockets)),
            $facts->system->name === 'three',
            $switch->fuel === Fuel::Lp || $switch->fuel === Fuel::NaturalGas,
            $this->own,
            locks: LockCount::of($facts->plan->oneLine()),
        ))->lines();
        $opensAt = $switch->plan->power_down['opens_at'] ?? null;
        $this->day = is_string($opensAt) ? Carbon::parse($opensAt, $switch->site->timezone) : Carbon::now($switch->site->timezone);
    }

    /** @return array<string, list<MaterialLine>> by the label of its group */
    public function groups(): array
    {
        $groups = [];
        foreach (MaterialGroup::cases() as $group) {
            $lines = array_values(array_filter($this->lines, static fn(MaterialLine $line): bool => $line->group === $group));
            if ($lines !== []) {
                $groups[$group->label()] = $lines;
            }
        }

        return $groups;
    }

    public function quantity(MaterialLine $line): string
    {
        return match (true) {
            $line->quantity === null => '',
            $line->unit === 'm' => ceil($this->units->fromMetres($line->quantity)) . " {$this->units->length()}",
            default => trim($line->quantity . " $line->unit"),
        };
    }

    public function isTicked(MaterialLine $line): bool
    {
        return isset($this->ticks[$line->key]);
    }

    public function ticked(): int
    {
        return count(array_filter($this->lines, $this->isTicked(...)));
    }

    /** @return ?string what is wrong with the calibration of a gauge on the day of the work; null when nothing is, or it has none */
    public function calibrationFault(MaterialLine $line): ?string
    {
        if (! $line->isGauge) {
            return null;
        }
        $calibration = new Calibration($this->calibrated[$line->key] ?? null);

        return match (true) {
            $calibration->goodUntil === null => 'when it was calibrated is not known',
            $calibration->isGoodOn($this->day->format('Y-m-d')) => null,
            default => 'calibration ran out on ' . $calibration->goodUntil->format('j M Y'),
        };
    }

    public function packedBy(MaterialLine $line): string
    {
        return $this->isTicked($line) ? ", packed by {$this->ticks[$line->key]['by']}" : '';
    }
}

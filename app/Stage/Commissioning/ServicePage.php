<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\UpkeepFacts;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use App\Stage\Upkeep\UpkeepPage;
use Escapement\Core\Commissioning\Service\ServiceWork;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Schedule\Service\DueItem;
use Escapement\Core\Schedule\Service\ServiceItem;
use Illuminate\Support\Carbon;

/** What a service visit can take in, what of it is due, and the visits that were. */
final readonly class ServicePage
{
    /** Done inside of the enclosure. */
    public const INSIDE = ['switch_inspection', 'torque_witness'];

    public SiteStanding $standing;
    public UpkeepFacts $facts;
    private UpkeepPage $upkeep;

    /**
     * Needs of the switch: what a standing needs, services.user, services.sheet.
     *
     * @param ?list<string> $planned items that a visit was planned for; null: what is due
     */
    public function __construct(public TransferSwitch $switch, Carbon $now, public ?array $planned = null)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->upkeep = new UpkeepPage($switch, $now);
        $this->facts = $this->upkeep->facts;
    }

    /** @return array<string, array{name: string, state: string, isDue: bool}> by item, what is due first */
    public function items(): array
    {
        $due = [];
        foreach ($this->upkeep->due as $one) {
            $due[$one->item->id] = $one;
        }
        $items = [];
        foreach (array_unique([...array_keys($due), ...self::ids($this->facts)]) as $id) {
            $one = $due[$id] ?? null;
            $items[$id] = [
                'name' => UpkeepPage::item($id),
                'state' => $one === null ? '' : UpkeepPage::standing($one),
                'isDue' => $one !== null && $this->isDue($one),
            ];
        }

        return $items;
    }

    /** @return list<string> what may be chosen here */
    public static function ids(UpkeepFacts $facts): array
    {
        return match (true) {
            ! $facts->hasEngine() => self::INSIDE,
            $facts->genericItems() !== [] => array_keys($facts->genericItems()),
            default => ServiceItem::ids(),
        };
    }

    /** @param list<string> $items */
    public static function work(UpkeepFacts $facts, bool $isOpened, array $items): ServiceWork
    {
        return new ServiceWork($facts->hasEngine(), $isOpened, $items);
    }

    /** What is planned inside needs the isolation that goes with it. */
    public function isOpened(): bool
    {
        return array_intersect($this->planned ?? [], self::INSIDE) !== [];
    }

    public function acts(): SelfActing
    {
        return $this->upkeep->acts();
    }

    private function isDue(DueItem $one): bool
    {
        return $one->state !== 'ok' && ! in_array($one->item->id, self::INSIDE, true); // that needs a power-down: chosen on purpose
    }
}

<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\UpkeepFacts;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use App\Stage\Upkeep\UpkeepPage;
use Escapement\Core\Commissioning\Service\ServiceRows;
use Escapement\Core\Commissioning\Service\ServiceWork;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Schedule\Service\DueItem;
use Escapement\Core\Schedule\Service\ServiceItem;
use Illuminate\Support\Carbon;

/** What a service visit can take in, what of it is due, and the visits that were. */
final readonly class ServicePage
{
    /** Steps that a visit has if it is wanted. */
    public const OPTIONS = ['photos' => 'Pictures as found and as left', 'owner_present' => 'The owner is there and signs'];

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
            ! $facts->hasEngine() => ServiceRows::inside(),
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
        return array_intersect($this->planned ?? [], ServiceRows::inside()) !== [];
    }

    public function acts(): SelfActing
    {
        return $this->upkeep->acts();
    }

    private function isDue(DueItem $one): bool
    {
        // What is inside needs a power-down: it is chosen on purpose.
        return $one->state !== 'ok' && ! in_array($one->item->id, ServiceRows::inside(), true);
    }
}

<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\ServiceInterval;
use App\Models\TransferSwitch;
use Escapement\Core\Schedule\Service\ServiceItem;
use Illuminate\Database\Eloquent\Collection;

/** The intervals of service of one site: generic, of the company, of the site. */
final readonly class IntervalForm
{
    public const SCOPES = ['company' => 'The whole company', 'site' => 'This site'];

    /** @var array<string, array{generic: ServiceItem, company: ?ServiceInterval, site: ?ServiceInterval}> by item */
    public array $rows;
    /** @var list<mixed> what Seen is stamped of */
    public array $kept;

    /** @param array<string, ServiceItem> $generic of its engine */
    public function __construct(TransferSwitch $switch, array $generic)
    {
        $kept = ServiceInterval::around($switch->id);
        $this->kept = self::stamped($kept);
        $this->rows = array_map(static fn(ServiceItem $item): array => [
            'generic' => $item, 'company' => $kept->where('item', $item->id)->firstWhere('switch_id', null),
            'site' => $kept->where('item', $item->id)->firstWhere('switch_id', $switch->id),
        ], $generic);
    }

    /**
     * @param Collection<int, ServiceInterval> $kept
     *
     * @return list<mixed>
     */
    public static function stamped(Collection $kept): array
    {
        return array_values($kept->map(static fn(ServiceInterval $one): array => [
            $one->item, $one->switch_id, $one->hours, $one->months, $one->is_off,
        ])->sort()->all());
    }

    /** A figure as it stands in its field; empty: as one level above. */
    public function typed(string $item, string $scope, string $figure): string
    {
        $kept = $this->rows[$item][$scope] ?? null;
        $old = old("i.$item.$scope.$figure", match (true) {
            ! $kept instanceof ServiceInterval => '',
            $kept->is_off => $figure === 'months' ? 'off' : '',
            default => $kept->getAttribute($figure),
        });

        return is_scalar($old) ? (string) $old : '';
    }

    /** The generic interval in words. */
    public static function words(ServiceItem $item): string
    {
        return implode(' or ', array_filter([
            $item->hours === null ? '' : round($item->hours) . ' h', $item->months === null ? '' : "$item->months months",
        ]));
    }
}

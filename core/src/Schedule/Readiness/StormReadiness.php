<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Readiness;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;

/** Which site fails first when the storm comes, why, and what is the least work against it. Rule: docs/rules.md#storm-readiness. */
final readonly class StormReadiness
{
    private const EQUAL = 1e-9;
    private const MOST_NAMED = 8;

    public function of(ReadinessInput $in): CalculationResult
    {
        $order = $this->ranked($in);
        $byId = [];
        foreach ($order as $one) {
            $byId[$one->site->id] = $one;
        }
        $sites = array_map(static fn(ReadinessSite $site): SiteReadiness => $byId[$site->id], $in->sites);
        $ids = array_map(static fn(SiteReadiness $one): string => $one->site->id, $order);
        $ranks = array_flip($ids);
        $working = new Working();
        foreach ($sites as $one) {
            $most = $one->cap === null ? '' : ", $one->cap at most";
            $working->add("Score of {$one->site->id}", "100 - what its criteria lose$most", $one->score, '');
        }

        return new CalculationResult([
            'sites' => array_map(static fn(SiteReadiness $one): array => [
                'id' => $one->site->id, 'rank' => $ranks[$one->site->id] + 1, 'score' => $one->score, 'raw' => $one->raw,
                'grade' => $one->grade, 'need' => $one->need, 'cap' => $one->cap, 'criteria' => $one->criteria(),
                'reasons' => $one->reasons(), 'best' => $one->best(), 'to_target' => $one->toTarget(),
            ], $sites),
            'order' => $ids,
            'counts' => self::counts($sites),
        ], $this->findings($sites), $working->lines);
    }

    /** @return list<SiteReadiness> greatest need first; what helps most is worked out only where it is asked for */
    public function ranked(ReadinessInput $in): array
    {
        $order = array_map(static fn(ReadinessSite $site): SiteReadiness => new SiteReadiness($site, $in), $in->sites);
        usort($order, static fn(SiteReadiness $a, SiteReadiness $b): int => abs($a->need - $b->need) <= self::EQUAL
            ? strcmp($a->site->id, $b->site->id)
            : $b->need <=> $a->need);

        return $order;
    }

    /**
     * @param list<SiteReadiness> $sites
     *
     * @return array<string, int> by grade
     */
    public static function counts(array $sites): array
    {
        $counts = ['ready' => 0, 'watch' => 0, 'act' => 0, 'not_ready' => 0];
        foreach ($sites as $one) {
            $counts[$one->grade]++;
        }

        return $counts;
    }

    /**
     * @param list<SiteReadiness> $sites
     *
     * @return list<Finding>
     */
    public function findings(array $sites): array
    {
        $raised = [];
        foreach ($sites as $one) {
            foreach ($this->raisedBy($one) as $id) {
                $raised[$id][] = $one->site->id;
            }
        }
        $findings = new Findings();
        foreach ($raised as $id => $ids) {
            $findings->raise("storm-readiness/$id", ['which' => implode(', ', array_slice($ids, 0, self::MOST_NAMED))], $ids);
        }
        if (array_filter($sites, static fn(SiteReadiness $one): bool => $one->grade !== 'ready') === []) {
            $findings->raise('fleet-ready');
        }

        return $findings->worstFirst();
    }

    /** @return list<string> ids of findings */
    private function raisedBy(SiteReadiness $one): array
    {
        $site = $one->site;
        $isOld = static fn(?array $test, Criterion $of): bool => $test !== null && $test[1] && $one->fraction($of) > 0;

        return array_keys(array_filter([
            'selector-not-auto' => $site->selector !== null && $site->selector !== 'auto',
            'open-stop-findings' => ($site->openStops ?? 0) > 0,
            'outage-test-failed' => $site->outageTest !== null && ! $site->outageTest[1],
            'load-test-failed' => $site->loadTest !== null && ! $site->loadTest[1],
            'outage-test-overdue' => $isOld($site->outageTest, Criterion::OutageTest),
            'load-test-overdue' => $isOld($site->loadTest, Criterion::LoadTest),
            'outage-never-proved' => $site->outageTest === null,
            'never-load-tested' => $site->loadTest === null,
            'fuel-short' => $one->facts->isFuelShort(),
            'battery-weak' => $one->facts->isBatteryWeak(),
            'settings-changed' => $one->facts->hasOtherSettings(),
            'exercise-missed' => ($one->facts->missed() ?? 0) > 0,
            'alarm-active' => ($site->alarmsActive ?? 0) > 0,
            'service-overdue' => ($site->serviceOverdue ?? 0) > 0,
            'unknown-facts' => $one->unknown !== [],
        ], static fn(bool $isSo): bool => $isSo));
    }
}

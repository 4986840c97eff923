<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;
use App\Models\LoadItem;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Calc\Answer;
use Escapement\Core\Finding\Finding;

/** Who comes back when, against what the source gives, and who stays off. */
final readonly class SheddingPage
{
    private const FIRST_STEP_MS = 10_000;
    private const STEP_MS = 10_000;
    private const OVERLOAD_MS = 5000;
    private const LOCKOUT_MS = 180_000;

    public SiteStanding $standing;
    public ?Answer $rating;
    public ?Answer $shed;
    public ?Answer $restart;
    public float $usableKw;
    public float $limitKva;

    public function __construct(public TransferSwitch $switch)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $facts = new PlanFacts($switch, $switch->plan);
        $this->rating = $facts->rating();
        $this->usableKw = $this->figure('usable_kw');
        $ratedKva = $this->figure('alternator_kva');
        $this->limitKva = PlanFacts::startLimitKva($ratedKva);
        $now = $this->kept();
        $this->shed = $this->usableKw > 0 ? $facts->shedPlan($this->usableKw, $this->figure('leg_a')) : null;
        $this->restart = $this->usableKw > 0 ? $facts->restart($this->usableKw, $ratedKva, $now['first_step_ms'] / 1000, $now['step_ms'] / 1000) : null;
    }

    /** @return array{limit_kw: float|int, first_step_ms: int, step_ms: int, overload_ms: int, lockout_ms: int} of the newest sheet, else the usual ones */
    public function kept(): array
    {
        /** @var array{limit_kw: float|int, first_step_ms: int, step_ms: int, overload_ms: int, lockout_ms: int}|null $kept */
        $kept = $this->switch->sheet->settings['load_shed'] ?? null;

        return $kept ?? ['limit_kw' => $this->limitKw(), 'first_step_ms' => self::FIRST_STEP_MS, 'step_ms' => self::STEP_MS, 'overload_ms' => self::OVERLOAD_MS, 'lockout_ms' => self::LOCKOUT_MS];
    }

    /** @return array<string, int|float> what the sheet takes, with the limit of this source */
    public function proposed(): array
    {
        return ['limit_kw' => $this->limitKw()] + $this->kept();
    }

    public function isInSheet(): bool
    {
        return ($this->switch->sheet->settings['load_shed'] ?? null) == $this->proposed();
    }

    /** Rounded down: the limit never promises what the source does not give. */
    private function limitKw(): float
    {
        return floor(10 * $this->usableKw) / 10;
    }

    /** @return list<LoadItem> in the order in which they come back */
    public function inOrder(): array
    {
        return array_values($this->switch->loads->sortBy([['must_run', 'desc'], ['priority', 'asc'], ['place', 'asc']])->all());
    }

    /** What becomes of a load on the generator, in words. */
    public function fate(LoadItem $load): string
    {
        if (! $load->shed) {
            return in_array($load->name, self::names($this->shed?->values['shed'] ?? []), true) ? 'on, and too much together' : 'on from the first moment';
        }
        foreach ($this->steps() as $step) {
            if ($step['id'] === $load->name) {
                return 'back after ' . round($step['t_s']) . ' s';
            }
        }

        return 'does not come back';
    }

    /** @return list<array{t_s: float, id: string, running_kw: float, start_kva: float, dip_pct: float}> */
    public function steps(): array
    {
        /** @var list<array{t_s: float, id: string, running_kw: float, start_kva: float, dip_pct: float}> $steps */
        $steps = $this->restart->values['timeline'] ?? [];

        return $steps;
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        $findings = [];
        foreach ([...$this->shed->findings ?? [], ...$this->restart->findings ?? []] as $finding) {
            $findings[$finding->id] = $finding;
        }

        return Finding::worstFirst(array_values($findings));
    }

    public function chart(): SheddingChart
    {
        return new SheddingChart($this);
    }

    public function baseKw(): float
    {
        return (float) $this->switch->loads->reject(static fn(LoadItem $load): bool => $load->shed)->sum(static fn(LoadItem $load): float => (float) $load->kw);
    }

    private function figure(string $key): float
    {
        $value = $this->rating->values[$key] ?? 0;

        return is_numeric($value) ? (float) $value : 0.0;
    }

    /** @return list<string> */
    private static function names(mixed $ids): array
    {
        return is_array($ids) ? array_values(array_filter($ids, is_string(...))) : [];
    }
}

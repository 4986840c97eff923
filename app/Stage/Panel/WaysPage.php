<?php

declare(strict_types=1);

namespace App\Stage\Panel;

use App\Bridge\DistributionFacts;
use App\Bridge\Units;
use App\Models\Distribution;
use App\Models\TransferSwitch;
use App\Models\Way;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Panel\FeederSchedule\FeederResult;
use Escapement\Core\Panel\FeederSchedule\FeederSchedule;
use Escapement\Core\Panel\FeederSchedule\JudgedWay;
use Escapement\Core\Panel\NeutralEarth\NeutralEarth;
use Escapement\Core\Panel\NeutralEarth\NeutralEarthResult;
use Escapement\Core\Panel\PhaseBalance\BalancePlan;
use Escapement\Core\Panel\PhaseBalance\BalanceResult;
use Escapement\Core\Panel\PhaseBalance\PanelWay;
use Escapement\Core\Panel\PhaseBalance\PhaseBalance;

/** The board of a three-phase changeover: its ways on both sources, how they load the phases, where the neutrals meet the earth. */
final readonly class WaysPage
{
    public SiteStanding $standing;
    public Units $units;
    public DistributionFacts $facts;
    public ?Distribution $board;

    /** @var list<Way> */
    public array $ways;

    public ?FeederResult $schedule;
    public ?BalanceResult $balance;
    public ?NeutralEarthResult $neutral;
    public ?string $problem;

    public function __construct(public TransferSwitch $switch)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->units = new Units($switch->site->units);
        $this->board = Distribution::query()->where('switch_id', $switch->id)->first();
        $this->ways = Way::of($switch->id);
        $this->facts = new DistributionFacts($switch, $this->board, $this->ways);
        $schedule = $balance = $neutral = $problem = null;
        try {
            $schedule = $this->facts->missing() === [] ? (new FeederSchedule())->judge($this->facts->schedule()) : null;
            $balance = $this->ways === [] ? null : (new PhaseBalance())->plan($this->facts->balance());
            $neutral = $this->facts->missingOfNeutral() === [] ? (new NeutralEarth())->judge($this->facts->neutral()) : null;
        } catch (BadInput $bad) {
            $problem = "$bad->path: " . $bad->getMessage();
        }
        $this->schedule = $schedule;
        $this->balance = $balance;
        $this->neutral = $neutral;
        $this->problem = $problem;
    }

    public function judged(string $name): ?JudgedWay
    {
        foreach ($this->schedule->ways ?? [] as $way) {
            if ($way->id === $name) {
                return $way;
            }
        }

        return null;
    }

    /** @return list<array<string, string>> rows of the table: what was typed last, else what is kept, and room for three more */
    public function rows(): array
    {
        $typed = old('ways');
        $rows = is_array($typed)
            ? array_values(array_filter($typed, is_array(...)))
            : array_map(fn(Way $way): array => WayLines::shown($way, $this->units), $this->ways);
        $empty = array_fill_keys(WayLines::COLUMNS, '');

        return [
            ...array_map(static fn(array $row): array => array_map(
                static fn(mixed $one): string => is_scalar($one) ? (string) $one : '',
                $row,
            ) + $empty, $rows),
            ...array_fill(0, max(0, min(3, WayLines::MOST - count($rows))), $empty),
        ];
    }

    /** @return list<Finding> of all three, worst first */
    public function findings(): array
    {
        return Finding::worstFirst([
            ...($this->schedule->findings ?? []), ...($this->balance->findings ?? []), ...($this->neutral->findings ?? []),
        ]);
    }

    /** @return array<string, list<Finding>> */
    public function grouped(): array
    {
        $groups = [];
        foreach ($this->findings() as $finding) {
            $groups[$finding->id][] = $finding;
        }

        return $groups;
    }

    public function proposal(): ?BalancePlan
    {
        $plan = $this->balance->fewest ?? $this->balance?->optimum;

        return $plan === null || $plan->moves === [] ? null : $plan;
    }

    /** @return array<string, array<string, list<Way>>> ways that could stand elsewhere, by their number of poles and the place they have */
    public function places(): array
    {
        $places = [];
        foreach ($this->ways as $way) {
            $options = PanelWay::optionsOf($way->connects);
            if (count($options) > 1) {
                $places[strlen($way->connects)] ??= array_fill_keys($options, []);
                $places[strlen($way->connects)][$way->connects][] = $way;
            }
        }

        return array_combine(
            array_map(static fn(int $length): string => $length === 2 ? 'To neutral' : 'Between lines', array_keys($places)),
            array_values($places),
        );
    }

    public static function figure(?float $value, int $digits = 0): string
    {
        return $value === null ? 'not known' : number_format($value, $digits, '.', ' ');
    }

    public static function trip(string $method): string
    {
        return match ($method) {
            'magnetic' => 'at once',
            'rcd' => 'residual current',
            'thermal' => 'thermal',
            default => 'none',
        };
    }

    public function action(string $action, ?string $at): string
    {
        $source = $at === null ? '' : ($at === 'first' ? 'the first source' : 'the second source');

        return match ($action) {
            'swap-neutrals-back' => 'Put the two neutrals back on their own poles',
            'add-panel-bond' => 'Join neutral and earth once, in the panel',
            'remove-panel-bond' => 'Remove the bond of neutral and earth in the panel',
            'remove-source-earth' => "Remove the earth of the star point at $source",
            'add-source-earth' => "Earth the star point at $source",
            default => str_replace('-', ' ', $action),
        };
    }

    /** The generator's fault current behind the utility's; nothing where it is not known. */
    public function generatorFault(): string
    {
        $ka = $this->schedule?->fault['generator_ka'] ?? null;

        return is_float($ka) || is_int($ka) ? ', ' . self::figure((float) $ka, 2) . ' kA from the generator' : '';
    }

    /** @return list<string> what a way may be connected to, or be made of */
    public function choices(string $column): array
    {
        return $column === 'material' ? ['cu', 'al'] : array_values(array_filter(
            WayLines::PLACES,
            fn(string $place): bool => strlen($place) < 4 || ! $this->facts->isIec(),
        ));
    }
}

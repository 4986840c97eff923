<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;
use App\Http\Typed;
use App\Models\LoadItem;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Input\Node;
use Escapement\Core\Planning\PowerDownTasks;
use Escapement\Core\Planning\PowerDownWork;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\PowerDown\PowerDown;
use Escapement\Core\Topology\BondMove;
use Escapement\Core\Wire\PowerDownReader;
use Illuminate\Support\Carbon;

/** The day of the power-down: what is kept or usual, and what it takes. */
final readonly class PowerDownPage
{
    public SiteStanding $standing;
    public CalculationResult $answer;
    public bool $isProposed;
    /** When the supply opens, at the site; null while nothing is agreed. */
    public ?Carbon $opensAt;
    /** @var array<string, mixed> the input of `power_down` */
    public array $input;

    public function __construct(public TransferSwitch $switch, ?Plan $kept)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $power = $kept->power_down ?? null;
        $this->isProposed = $power === null;
        $power ??= $this->usual($kept);
        $at = $power['opens_at'] ?? null;
        $this->opensAt = is_string($at) ? Carbon::parse($at, $switch->site->timezone) : null;
        $this->input = array_diff_key($power, ['opens_at' => true]);
        $this->answer = (new PowerDown())->answer((new PowerDownReader())->input(Node::fromArray($this->input)));
    }

    public function acts(): SelfActing
    {
        return new SelfActing($this->switch->site->installation);
    }

    public static function of(TransferSwitch $switch): self
    {
        $switch->load(SiteStanding::NEEDS);

        return new self($switch, $switch->plan);
    }

    /**
     * @return list<array{id: string, name: string, who: list<string>, phase: string, start_min: int, finish_min: int,
     *     critical: bool}> in the order of the day
     */
    public function tasks(): array
    {
        /**
         * @var list<array{id: string, name: string, who: list<string>, phase: string, start_min: int, finish_min: int,
         *     critical: bool}> $tasks
         */
        $tasks = $this->answer->values['tasks'];

        return $tasks;
    }

    public function minutes(string $key): int
    {
        $minutes = $this->answer->values[$key] ?? 0;

        return is_int($minutes) ? $minutes : 0;
    }

    /** The hour when one is agreed, else the minutes from the opening. */
    public function clock(int $minutes): string
    {
        return $this->opensAt?->copy()->addMinutes($minutes)->format('H:i') ?? ($minutes < 0 ? '−' : '+') . abs($minutes);
    }

    /**
     * The lines of the form: as they were typed, else as they are kept; an empty one is left out.
     *
     * @return array<array-key, array<string, mixed>> by their numbers
     */
    public function lines(mixed $typed): array
    {
        /** @var list<array{id: string, who: list<string>, after: list<string>, ...}> $tasks */
        $tasks = $this->input['tasks'];
        $kept = [];
        foreach ($tasks as $task) {
            $kept[$task['id']] = ['who' => implode(', ', $task['who']), 'after' => implode(', ', $task['after'])] + $task;
        }
        $lines = $typed === null ? $kept : Typed::lines($typed);
        $isFilled = static fn(mixed $value): bool => $value !== null && $value !== '';

        return array_filter($lines, static fn(array $line): bool => array_filter(
            [$line['name'] ?? '', $line['who'] ?? '', $line['minutes'] ?? '', $line['after'] ?? ''],
            $isFilled,
        ) !== []);
    }

    public function chart(): PowerDownChart
    {
        return new PowerDownChart($this);
    }

    /** @return array<string, mixed> what `power_down` takes, as such a plan usually is */
    private function usual(?Plan $kept): array
    {
        return PowerDownTasks::usual($this->work($kept));
    }

    private function work(?Plan $kept): PowerDownWork
    {
        $facts = new PlanFacts($this->switch, $kept);
        $bonding = $facts->bonding();
        $grounds = $bonding->groundsToMove();
        // Separating neutrals and grounds is the moving of the grounds: counted once.
        $moves = array_filter(
            $bonding->moves(),
            static fn(BondMove $move): bool => $grounds === 0 || $move->action !== 'separate-neutral-ground',
        );
        $kind = $this->switch->site->installation;
        $second = $this->switch->survey['upstream_second'] ?? null;
        $hasOwnPanel = in_array($kind, [InstallationKind::EssentialCircuits, InstallationKind::PlugInBox], true);

        return new PowerDownWork(
            $kind,
            count($kept->runs ?? []) ?: count($facts->feeders()->feeders()),
            array_values(array_map(static fn(BondMove $move): string => $move->title, $moves)),
            $grounds,
            $hasOwnPanel ? $this->switch->loads->filter(static fn(LoadItem $load): bool => $load->must_run || $load->essential)->count()
                : 0,
            $facts->plan->in->upstream,
            ['yes' => true, 'released' => false, 'no' => false][$this->switch->survey['inspection'] ?? ''] ?? null,
            Upstream::tryFrom(is_string($second) ? $second : ''),
        );
    }

    /** @return list<Finding> what has to be known before a day is agreed */
    public function unknown(): array
    {
        $work = $this->work($this->switch->plan);
        $bonding = (new PlanFacts($this->switch, $this->switch->plan))->bonding();
        $bonds = array_values(array_filter($bonding->findings, static fn(Finding $finding): bool => $finding->id === 'bonds-not-surveyed'));

        return PowerDownTasks::isOpenerKnown($work) ? $bonds : [Register::finding('upstream-not-surveyed'), ...$bonds];
    }

    /** @param array{who: list<string>, ...} $task */
    public function who(array $task): string
    {
        return implode(', ', $task['who']);
    }
}

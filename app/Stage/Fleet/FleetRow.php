<?php

declare(strict_types=1);

namespace App\Stage\Fleet;

use App\Models\SwitchStatus;
use Escapement\Core\Schedule\Readiness\SiteReadiness;

/** One switch of the fleet before a storm. */
final readonly class FleetRow
{
    private const REASONS = [
        'selector' => 'Selector', 'open_stops' => 'Open stop findings', 'outage_test' => 'Outage test', 'load_test' => 'Load test',
        'fuel' => 'Fuel', 'battery' => 'Battery', 'settings' => 'Settings', 'exercise' => 'Exercise', 'alarms' => 'Alarms',
        'service' => 'Service',
    ];
    /** In the order in which they are done: what stops it first, and to auto last, when nobody works on it any more. */
    private const ACTIONS = [
        'clear_stops' => 'clear the stops', 'clear_alarms' => 'clear the alarms', 'service' => 'service', 'battery' => 'check the battery',
        'refuel' => 'check and fill the tank', 'prove_settings' => 'prove the settings', 'exercise_run' => 'run it once',
        'outage_test' => 'outage test', 'load_test' => 'load test', 'set_auto' => 'leave the selector at auto',
    ];

    public function __construct(public SwitchStatus $status, public SiteReadiness $of, public int $rank) {}

    public function grade(): string
    {
        return str_replace('_', ' ', $this->of->grade);
    }

    /** @return 'note'|'proven'|'stop'|'warn' */
    public function severity(): string
    {
        return match ($this->of->grade) {
            'ready' => 'proven',
            'watch' => 'note',
            'act' => 'warn',
            default => 'stop',
        };
    }

    /** What costs it most, and whether that is known or only not found out. */
    public function reason(): string
    {
        $words = [];
        foreach (array_slice($this->of->reasons(), 0, 3) as $id) {
            $words[] = self::REASONS[$id] . (isset($this->of->unknown[$id]) ? ' not known' : '');
        }

        return $words === [] ? 'Nothing lost' : implode(', ', array_map(
            static fn(string $one, int $i): string => $i === 0 ? $one : lcfirst($one),
            $words,
            array_keys($words),
        ));
    }

    /** @return array{words: string, minutes: int, score: int} the least work to the target */
    public function work(): array
    {
        $plan = $this->of->toTarget();
        $words = implode(', ', array_intersect_key(self::ACTIONS, array_flip($plan['actions'])));

        return [
            'words' => $words === '' ? 'Nothing to do' : ucfirst($words), 'minutes' => (int) round($plan['minutes']),
            'score' => (int) round($plan['score_after']),
        ];
    }
}

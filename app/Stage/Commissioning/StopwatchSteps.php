<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use Escapement\Core\Site\Kind;

/** What the big button marks, in the order of the run: the words on it, when to press, and which window applies. */
final readonly class StopwatchSteps
{
    private const STEPS = [
        'utility_off' => ['Mark: utility off', 'as you open the disconnect upstream', null, null, false],
        'start_signal' => ['Mark: start signal', 'when the start relay clicks; skip it if you cannot hear it', 'start_signal', 'utility_off', true],
        'engine_running' => ['Mark: generator good', 'when the controller shows the generator as good', 'engine_running', 'start_signal', false],
        'transferred' => ['Mark: load on G', 'when you hear the switch move', 'transfer', 'utility_off', false],
        'bait_on' => ['Mark: bait, utility back', 'close the disconnect for the bait test', null, null, true],
        'bait_off' => ['Mark: bait, utility off', 'open it again; the load must stay on G', null, 'bait_on', true],
        'utility_on' => ['Mark: utility on', 'as you close the disconnect for good', null, null, false],
        'retransferred' => ['Mark: load back on U', 'when you hear the switch move', 'return', 'utility_on', false],
        'engine_stopped' => ['Mark: engine stopped', 'when it stands still', 'engine_stop', 'retransferred', false],
    ];
    private const BY_KIND = [
        'standby' => ['utility_off', 'start_signal', 'engine_running', 'transferred', 'bait_on', 'bait_off', 'utility_on', 'retransferred', 'engine_stopped'],
        'two_source' => ['utility_off', 'transferred', 'bait_on', 'bait_off', 'utility_on', 'retransferred'],
        'mobile' => ['start_signal', 'engine_running', 'transferred', 'engine_stopped', 'retransferred'],
    ];

    /** @return list<array{event: string, name: string, button: string, when: string, window: ?string, from: ?string, mayBeSkipped: bool}> */
    public static function forKind(Kind $kind): array
    {
        return array_map(static fn(string $event): array => [
            'event' => $event, 'name' => RunResult::eventName($event), 'button' => self::STEPS[$event][0], 'when' => self::STEPS[$event][1],
            'window' => self::STEPS[$event][2], 'from' => $kind === Kind::Mobile && $event === 'transferred' ? 'start_signal' : self::STEPS[$event][3],
            'mayBeSkipped' => $kind !== Kind::Mobile && self::STEPS[$event][4],
        ], self::BY_KIND[$kind->value]);
    }
}

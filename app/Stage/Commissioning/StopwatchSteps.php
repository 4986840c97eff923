<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Settings\ExpectedTimes;
use Escapement\Core\Settings\Window;
use Escapement\Core\Site\Kind;
use Escapement\Core\Site\Plant;
use Escapement\Core\Topology\OutageTestPointResult;

/** What the big button marks: the ways in which a switch is timed, each with its marks in order, the words on them, and which window applies. */
final readonly class StopwatchSteps
{
    /** What is on the button, when to press it, the window it is judged by, the mark that counts from, and whether it may be left out. */
    private const STEPS = [
        'utility_off' => ['Mark: utility off', 'as you open the disconnect upstream', null, null, false],
        'test_on' => ['Mark: test begun', 'as you press the test button or turn its key', null, null, false],
        'start_signal' => ['Mark: start signal', 'when the start relay clicks; skip it if you cannot hear it', 'start_signal', 'utility_off', true],
        'engine_running' => ['Mark: generator good', 'when the controller shows the generator as good', 'engine_running', 'start_signal', false],
        'transferred' => ['Mark: load on G', 'when you hear the switch move', 'transfer', 'utility_off', false],
        'bait_on' => ['Mark: bait, utility back', 'close the disconnect for the bait test', null, null, true],
        'bait_off' => ['Mark: bait, utility off', 'open it again; the load must stay on G', null, 'bait_on', true],
        'utility_on' => ['Mark: utility on', 'as you close the disconnect for good', null, null, false],
        'test_off' => ['Mark: test ended', 'as you end the test at the controller', null, null, false],
        'retransferred' => ['Mark: load back on U', 'when you hear the switch move', 'return', 'utility_on', false],
        'engine_stopped' => ['Mark: engine stopped', 'when it stands still', 'engine_stop', 'retransferred', false],
    ];
    /** Pulling the plug is the outage of a switch box with a cord. Rule: field notes M3. */
    private const WITH_A_PLUG = [
        'utility_off' => 'as you pull the plug', 'bait_on' => 'plug it in for the bait test', 'bait_off' => 'pull it again; the load must stay on G', 'utility_on' => 'as you plug it in for good',
    ];
    private const ON_A_RELAY = [
        'start_signal' => 'as you press the start of the generator', 'engine_running' => 'when it runs evenly', 'transferred' => 'when you hear the relay pull in',
        'engine_stopped' => 'when it stands still after its stop was pressed', 'retransferred' => 'when you hear the relay fall back',
    ];
    private const OUTAGE = [
        'standby' => ['utility_off', 'start_signal', 'engine_running', 'transferred', 'bait_on', 'bait_off', 'utility_on', 'retransferred', 'engine_stopped'],
        'two_source' => ['utility_off', 'transferred', 'bait_on', 'bait_off', 'utility_on', 'retransferred'],
        'mobile' => ['start_signal', 'engine_running', 'transferred', 'engine_stopped', 'retransferred'],
    ];
    private const BUTTON = ['test_on', 'start_signal', 'engine_running', 'transferred', 'test_off', 'retransferred', 'engine_stopped'];
    /** The marks that a test by the button counts from. */
    private const COUNTED_BY_BUTTON = ['utility_off' => 'test_on', 'utility_on' => 'test_off'];

    public function __construct(private Plant $plant, private OutageTestPointResult $test) {}

    /** @return list<array<string, mixed>> the first is the one that proves most */
    public function ways(TimingVerdict $verdict): array
    {
        $isMobile = $this->plant->kind === Kind::Mobile;
        $where = match (true) {
            $isMobile => 'by the generator\'s own buttons',
            $this->test->name === null => $this->test->because,
            $this->test->device === 'plug' => 'pull the ' . lcfirst($this->test->name),
            default => "{$this->test->name} is the one to open",
        };
        $outage = ['id' => 'outage', 'name' => $isMobile ? 'Start and stop' : 'Simulated outage', 'again' => $isMobile ? 'Time it again' : 'Time an outage again', 'where' => $where, 'proves' => '']
            + $this->timed(self::OUTAGE[$this->plant->kind->value], $verdict->expected, []);

        return $verdict->byButton === null ? [$outage] : [$outage, [
            'id' => 'button', 'name' => 'Test by the button', 'again' => 'Time the test button', 'where' => 'at the controller, with load',
            'proves' => 'It proves engine and mechanism. That a lost utility is noticed is proved by the outage only.',
        ] + $this->timed(self::BUTTON, $verdict->byButton, self::COUNTED_BY_BUTTON)];
    }

    /**
     * @param list<string>          $events
     * @param array<string, string> $counted
     *
     * @return array<string, mixed>
     */
    private function timed(array $events, ExpectedTimes $expected, array $counted): array
    {
        $isMobile = $this->plant->kind === Kind::Mobile;
        $times = static fn(Window $window): array => [$window->minMs, $window->nominalMs, $window->maxMs];
        $windows = [];
        foreach ($expected->windows as $window) {
            $windows[$window->event] = $times($window);
        }

        return [
            'steps' => array_map(fn(string $event): array => [
                'event' => $event, 'name' => RunResult::eventName($event, $this->plant->kind->value), 'button' => $this->button($event),
                'when' => $this->when($event),
                'window' => $event === $events[0] || ! isset($windows[(string) self::STEPS[$event][2]]) ? null : self::STEPS[$event][2], 'from' => $event === $events[0] ? null : $this->from(self::STEPS[$event][3], $counted),
                'mayBeSkipped' => ! $isMobile && self::STEPS[$event][4],
            ], $events),
            'windows' => $windows,
            'runningFromLoss' => $times($expected->runningFromLoss),
        ];
    }

    private function button(string $event): string
    {
        return $this->plant->kind === Kind::TwoSource ? 'Mark: ' . lcfirst(RunResult::eventName(
            $event,
            $this->plant->kind->value,
        )) : self::STEPS[$event][0];
    }

    /** @param array<string, string> $counted */
    private function from(?string $event, array $counted): ?string
    {
        return $this->plant->kind === Kind::Mobile ? ['utility_off' => 'start_signal', 'utility_on' => 'engine_stopped'][$event] ?? $event : $counted[$event] ?? $event;
    }

    private function when(string $event): string
    {
        $words = match (true) {
            $this->plant->kind === Kind::Mobile => self::ON_A_RELAY,
            $this->test->device === 'plug' => self::WITH_A_PLUG,
            default => [],
        };

        return $words[$event] ?? self::STEPS[$event][1];
    }
}

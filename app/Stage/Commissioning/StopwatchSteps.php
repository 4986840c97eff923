<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\MarkStep;
use Escapement\Core\Commissioning\TestMethod;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Topology\OutageTestPointResult;

/** What the big button says: the words on each mark of a test method. Which mark starts which interval comes from the core. */
final readonly class StopwatchSteps
{
    /** What is on the button, and when to press it. */
    private const WORDS = [
        'utility_off' => ['Mark: utility off', 'as you open the disconnect upstream'],
        'test_on' => ['Mark: test begun', 'as you press the test button or turn its key'],
        'start_signal' => ['Mark: start signal', 'when the start relay clicks; skip it if you cannot hear it'],
        'engine_running' => ['Mark: generator good', 'when the controller shows the generator as good'],
        'transferred' => ['Mark: load on G', 'when you hear the switch move'],
        'bait_on' => ['Mark: bait, utility back', 'close the disconnect for the bait test'],
        'bait_off' => ['Mark: bait, utility off', 'open it again; the load must stay on G'],
        'utility_on' => ['Mark: utility on', 'as you close the disconnect for good'],
        'test_off' => ['Mark: test ended', 'as you end the test at the controller'],
        'retransferred' => ['Mark: load back on U', 'when you hear the switch move'],
        'engine_stopped' => ['Mark: engine stopped', 'when it stands still'],
    ];
    /** Pulling the plug is the outage of a switch box with a cord. */
    private const WITH_A_PLUG = [
        'utility_off' => 'as you pull the plug',
        'bait_on' => 'plug it in for the bait test',
        'bait_off' => 'pull it again; the load must stay on G',
        'utility_on' => 'as you plug it in for good',
    ];
    private const ON_A_RELAY = [
        'start_signal' => 'as you press the start of the generator',
        'engine_running' => 'when it runs evenly',
        'transferred' => 'when you hear the relay pull in',
        'engine_stopped' => 'when it stands still after its stop was pressed',
        'retransferred' => 'when you hear the relay fall back',
    ];

    public function __construct(private Plant $plant, private OutageTestPointResult $test) {}

    /**
     * @param non-empty-list<TestMethod> $methods
     *
     * @return list<array<string, mixed>> the first is the one that proves most
     */
    public function ways(array $methods): array
    {
        return array_map(fn(TestMethod $method): array => $this->words($method) + [
            'id' => $method->id,
            'steps' => array_map($this->step(...), $method->steps),
        ], $methods);
    }

    /** @return array{name: string, again: string, where: string, proves: string} */
    private function words(TestMethod $method): array
    {
        if ($method->isByButton()) {
            return [
                'name' => 'Test by the button',
                'again' => 'Time the test button',
                'where' => 'at the controller, with load',
                'proves' => 'It proves engine and mechanism. That a lost utility is noticed is proved by the outage only.',
            ];
        }
        $isMobile = $this->plant->kind === PlantKind::Mobile;
        $where = match (true) {
            $isMobile => 'by the generator\'s own buttons',
            $this->test->name === null => $this->test->because,
            $this->test->device === 'plug' => 'pull the ' . lcfirst($this->test->name),
            default => "{$this->test->name} is the one to open",
        };

        return [
            'name' => $isMobile ? 'Start and stop' : 'Simulated outage',
            'again' => $isMobile ? 'Time it again' : 'Time an outage again',
            'where' => $where,
            'proves' => '',
        ];
    }

    /** @return array<string, mixed> */
    private function step(MarkStep $step): array
    {
        $name = RunResult::eventName($step->event->value, $this->plant->kind->value);
        $isTwoSource = $this->plant->kind === PlantKind::TwoSource;

        return $step->toArray() + [
            'name' => $name,
            'button' => $isTwoSource ? 'Mark: ' . lcfirst($name) : self::WORDS[$step->event->value][0],
            'when' => $this->when($step->event),
        ];
    }

    private function when(MarkEvent $event): string
    {
        $words = match (true) {
            $this->plant->kind === PlantKind::Mobile => self::ON_A_RELAY,
            $this->test->device === 'plug' => self::WITH_A_PLUG,
            default => [],
        };

        return $words[$event->value] ?? self::WORDS[$event->value][1];
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Settings;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\MergePatch;
use Escapement\Core\Input\Node;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SettingsDiff;
use Escapement\Core\SettingsCheck\SettingsCheck;
use Escapement\Core\Wire\CheckReader;
use Escapement\Core\Wire\SettingsReader;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A fix that is offered has to clear its finding, whatever else is wrong with the sheet. */
final class FixesTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function applying_a_fix_clears_the_finding(): void
    {
        $seen = [];
        $this->limitTo(400)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed) use (&$seen): void {
            $input = $this->input(new Randomizer(new Mt19937($seed)));
            try {
                $findings = $this->check($input);
            } catch (BadInput) {
                return; // a pair the wrong way round: refused before it is judged
            }
            foreach ($findings as $finding) {
                $seen[$finding->id] = true;
                if ($finding->fix === null) {
                    continue;
                }
                $patched = $input;
                $patched['settings'] = MergePatch::apply($input['settings'], $finding->fix);
                $after = array_column($this->check($patched), 'id');
                self::assertNotContains($finding->id, $after, json_encode($finding->fix, JSON_THROW_ON_ERROR));
            }
        });
        self::assertGreaterThan(20, count($seen), 'the draws reach too few of the findings: ' . implode(' ', array_keys($seen)));
    }

    #[Test]
    public function the_difference_of_a_sheet_with_itself_is_nothing_and_is_found_both_ways(): void
    {
        $this->limitTo(100)->forAll(
            Generators::choose(0, 2_000_000_000),
            Generators::choose(0, 2_000_000_000),
        )->then(function (int $a, int $b): void {
            $read = fn(int $seed): Settings
                => (new SettingsReader())->settings(Node::fromArray([
                    'sensing' => $this->input(new Randomizer(new Mt19937($seed)), true)['settings']['sensing'],
                ]
                    + $this->input(new Randomizer(new Mt19937($seed)), true)['settings']), null);
            $diff = new SettingsDiff();
            self::assertSame([], $diff->compare($read($a), $read($a)));
            self::assertSame(
                array_column($diff->compare($read($a), $read($b)), 'path'),
                array_column($diff->compare($read($b), $read($a)), 'path'),
            );
        });
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return list<Finding>
     */
    private function check(array $input): array
    {
        return (new SettingsCheck())->check((new CheckReader())->input(Node::fromArray($input)))->findings;
    }

    /** @return array<string, mixed> */
    private function input(Randomizer $random, bool $isSound = false): array
    {
        $pick = static fn(array $from): mixed => $from[$random->getInt(0, count($from) - 1)];
        $kind = $pick(['standby', 'standby', 'two_source', 'mobile']);
        $phases = $random->getInt(1, 3);
        $source = ['phases' => $phases, 'nominal_v' => 120, 'nominal_hz' => 60];
        $under = static function () use ($pick, $isSound): array {
            $dropout = $pick([60, 69.9, 70, 85, 90, 93, 95, 97.5]);

            return ['dropout_pct' => $dropout, 'pickup_pct' => $isSound ? $dropout + 4 : $dropout + $pick([1, 2.9, 3, 5, -5])];
        };
        $sensing = static fn(): array => [
            'under_voltage' => $under(),
            'over_voltage' => $pick([null, ['dropout_pct' => 115, 'pickup_pct' => 110]]),
            'under_frequency' => $pick([null, ['dropout_pct' => 93, 'pickup_pct' => 95]]),
            'dropout_delay_ms' => $pick([0, 500, 1999, 2000, 31_000]),
        ];

        return [
            'application' => match ($kind) {
                'mobile' => 'mobile',
                'two_source' => $pick(['two_source', 'commercial', 'process']),
                default => $pick(['residential', 'plug_in', 'commercial', 'life_safety', 'process']),
            },
            'system' => [
                'kind' => $kind, 'sources' => ['normal' => $source, 'emergency' => $source],
                'engine' => $kind === 'two_source' ? null : [
                    'crank_ms' => 1500, 'crank_limit_ms' => $pick([2000, 10_000]), 'crank_rest_ms' => $pick([5000, 10_000]),
                    'crank_attempts' => $random->getInt(1, 3), 'run_up_ms' => 4000, 'stop_ms' => 5000,
                ],
            ],
            'settings' => [
                'sensing' => ['normal' => $sensing(), 'emergency' => $sensing()],
                'start_delay_ms' => $pick([0, 999, 3001, 31_000]), 'transfer_delay_ms' => $pick([0, 14_999, 61_000]),
                'return_delay_ms' => $pick([0, 9999, 60_000, 1_800_001]), 'cooldown_ms' => $pick([0, 59_999, 60_000, 300_000]),
                'transition' => $pick(['open', 'delayed']), 'travel_ms' => $pick([0, 100]), 'off_delay_ms' => $pick([0, 499, 6000]),
                'exercise' => $kind === 'mobile' ? null : $pick([null, [
                    'first_at_ms' => 0,
                    'every_ms' => $pick([604_800_000, 2_764_800_000]),
                    'for_ms' => $pick([60_000, 1_500_000]),
                    'with_load' => $pick([true, false]),
                ]]),
                'load_shed' => $pick([
                    null,
                    [
                        'limit_kw' => 12,
                        'first_step_ms' => $pick([0, 5000]),
                        'step_ms' => 1000,
                        'overload_ms' => 1000,
                        'lockout_ms' => $pick([0, 180_000]),
                    ],
                ]),
            ],
            'loads' => [['id' => 'x', 'kw' => $pick([1, 14]), 'priority' => 1, 'shed' => $pick([true, false])]],
            'source_kw' => $pick([8, 13, 20]),
            'largest_motor_hp' => $pick([0, 5, 20]),
            'has_compressor' => $pick([true, false]),
            'site' => ['fuel' => $pick(['diesel', 'lp'])],
        ];
    }
}

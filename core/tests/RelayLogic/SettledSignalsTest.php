<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\Play\PlayInput;
use Escapement\Core\RelayLogic\Play\PlayState;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Panel\RelayPlayReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SettledSignalsTest extends TestCase
{
    private const STEPS = 400;

    /** One step at a time is looked at only where its contacts lead: that must be what looking at everything gives. */
    #[Test, DataProvider('inputs')]
    public function what_follows_from_one_step_is_what_follows_from_all(PlayInput $input): void
    {
        $one = new PlayState($input);
        $all = new PlayState($input);
        mt_srand(7);
        for ($step = 0; $step < self::STEPS; $step++) {
            $device = $one->moving[mt_rand(0, count($one->moving) - 1)];
            if (mt_rand(0, 5) === 0) {
                $supply = array_rand($input->supplies);
                $volts = array_map(static fn(): float => (float) mt_rand(0, 280), $one->volts[$supply]);
                $one->volts[$supply] = $all->volts[$supply] = $volts;
                $one->settleSignals();
            } else {
                $one->values[$device->id] = $all->values[$device->id] = mt_rand(0, 2);
                $one->settleSignals($device->id);
            }
            $all->settleSignals();
            self::assertEquals($all->bus(), $one->bus());
            foreach ($input->circuit->rungs as $rung) {
                self::assertSame($all->isOn($rung->coil), $one->isOn($rung->coil), "$rung->coil after step $step, $device->id");
            }
            foreach ($one->moving as $moving) {
                if ($moving->type === RelayType::PhaseRelay) {
                    self::assertSame($all->watch($moving->id)->reason(), $one->watch($moving->id)->reason());
                }
            }
        }
    }

    /** @return iterable<string, array{PlayInput}> */
    public static function inputs(): iterable
    {
        foreach (CaseFile::read('panel') as $name => [$case]) {
            if (str_starts_with($name, 'relay_play: standard')) {
                yield $name => [(new RelayPlayReader())->input(new Node($case->input))];
            }
        }
    }
}

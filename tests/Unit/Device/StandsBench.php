<?php

declare(strict_types=1);

namespace Tests\Unit\Device;

use App\Device\DeviceName;
use App\Device\Installation;
use App\Device\ModbusUnit;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;

/** An installation by a template, with a clock that the test turns. */
trait StandsBench
{
    private int $monoMs = 0;

    private function installation(InstallationKind $kind = InstallationKind::WholeHouse): Installation
    {
        return new Installation(self::kept($kind), fn(): int => $this->monoMs);
    }

    private function unit(Installation $installation): ModbusUnit
    {
        return new ModbusUnit($installation, new DeviceName($installation->serial, $installation->kind));
    }

    /** @return array<string, mixed> */
    private static function kept(InstallationKind $kind): array
    {
        $template = new SheetTemplate($kind);
        $plant = $template->plant();

        return [
            'serial' => 'B-1', 'kind' => $kind->value, 'inputs' => [], 'base_ms' => 0, 'now_ms' => 0, 'rate' => 1, 'revision' => 1,
            'last_seq' => 0,
            'spec' => [
                'system' => $plant->toArray(), 'settings' => $template->settings()->toWire(),
                'loads' => [['id' => 'house', 'kw' => 6, 'priority' => 1, 'shed' => true]],
                'bench' => ($plant->kind->hasEngine() ? ['generator' => ['rated_kw' => 20, 'fuel' => 'lp', 'tank_gal' => 250]] : [])
                    + ['bank' => ['elements_kw' => [2, 3]]],
            ],
        ];
    }
}

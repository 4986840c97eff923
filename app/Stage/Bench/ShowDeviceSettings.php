<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\NoDevice;
use App\Device\Refused;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Input\BadInput;
use Illuminate\Contracts\View\View;

final readonly class ShowDeviceSettings
{
    public function __invoke(TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);
        $bench = BenchDesk::standing($switch);
        $device = $why = null;
        try {
            $device = new DeviceSettings($switch, BenchDesk::client($bench, 'viewer'));
        } catch (NoDevice|Refused|BadInput $away) {
            $why = $away->getMessage();
        }

        return view('bench.settings', [
            'switch' => $switch, 'standing' => new SiteStanding($switch->site, $switch), 'device' => $device, 'why' => $why,
            'sheet' => $switch->sheet,
            'rows' => $device === null || $switch->sheet === null ? [] : $device->differences($device->found, $switch->sheet->settings),
            'stops' => $device === null || $switch->sheet === null ? [] : $device->stops($switch->sheet),
        ]);
    }
}

<?php

declare(strict_types=1);

// Generic planning values, to be confirmed against the maker's instructions. Rule: settings §2. Times in milliseconds,
// percentages as drop-out and pick-up, null where the kind has no such setting. Return delays: short, storm-wise, critical.

use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Site\Kind;
use Escapement\Core\Template\TemplateRow;

return [
    'K1' => new TemplateRow(Application::Residential, Kind::Standby, 2, new Limit(80, 90), 500, new Limit(85, 95), 3000, 5000, 10_000, 120_000, null, 100, [60_000, 300_000, 900_000]),
    'K2' => new TemplateRow(Application::EssentialCircuits, Kind::Standby, 2, new Limit(80, 90), 500, new Limit(85, 95), 3000, 5000, 10_000, 120_000, null, 100, [60_000, 300_000, 900_000]),
    'K3' => new TemplateRow(Application::Residential, Kind::Standby, 2, new Limit(80, 90), 500, new Limit(85, 95), 3000, 5000, 15_000, 300_000, 1000, 100, [60_000, 300_000, 900_000]),
    'K4' => new TemplateRow(Application::PlugIn, Kind::Standby, 2, new Limit(75, 85), 500, new Limit(85, 95), 3000, 10_000, 20_000, 60_000, null, 50, [10_000, 60_000, 300_000]),
    'K5' => new TemplateRow(Application::Mobile, Kind::Mobile, 1, new Limit(75, 85), 0, new Limit(85, 95), 500, null, 30_000, null, null, 50, [null, null, null]),
    'K6' => new TemplateRow(Application::Mobile, Kind::Mobile, 2, new Limit(75, 85), 0, new Limit(85, 95), 500, null, 30_000, null, null, 50, [null, null, null]),
    'K7' => new TemplateRow(Application::TwoSource, Kind::TwoSource, 3, new Limit(85, 90), 500, new Limit(95, 98), 2000, 0, 2000, 0, 2000, 150, [10_000, 60_000, 300_000]),
    'K8' => new TemplateRow(Application::Commercial, Kind::Standby, 3, new Limit(85, 90), 500, new Limit(85, 95), 3000, 3000, 10_000, 300_000, 2000, 150, [60_000, 300_000, 900_000]),
    'K9' => new TemplateRow(Application::Commercial, Kind::Standby, 3, new Limit(85, 90), 500, new Limit(85, 95), 3000, 3000, 10_000, 300_000, 3000, 1500, [60_000, 600_000, 1_800_000]),
    'K10' => new TemplateRow(Application::Residential, Kind::Standby, 2, new Limit(80, 90), 500, new Limit(85, 95), 3000, 5000, 15_000, 300_000, null, 100, [60_000, 300_000, 900_000]),
];

<?php

declare(strict_types=1);

// Generic planning values, to be confirmed against the maker's instructions. Rule: settings §2. Times in milliseconds,
// percentages as [drop-out, pick-up], null where the kind has no such setting. Return delays: short, storm-wise, critical.

use Escapement\Core\Settings\Application;
use Escapement\Core\Site\Kind;

$row = static fn(
    Application $application,
    Kind $kind,
    int $phases,
    array $normalVolts,
    int $normalDropoutMs,
    array $emergencyHertz,
    int $emergencyDropoutMs,
    ?int $startMs,
    int $transferMs,
    ?int $cooldownMs,
    ?int $offMs,
    int $travelMs,
    array $returnMs,
): array => compact(
    'application',
    'kind',
    'phases',
    'normalVolts',
    'normalDropoutMs',
    'emergencyHertz',
    'emergencyDropoutMs',
    'startMs',
    'transferMs',
    'cooldownMs',
    'offMs',
    'travelMs',
    'returnMs',
);

return [
    'K1' => $row(Application::Residential, Kind::Standby, 2, [80, 90], 500, [85, 95], 3000, 5000, 10_000, 120_000, null, 100, [60_000, 300_000, 900_000]),
    'K2' => $row(Application::EssentialCircuits, Kind::Standby, 2, [80, 90], 500, [85, 95], 3000, 5000, 10_000, 120_000, null, 100, [60_000, 300_000, 900_000]),
    'K3' => $row(Application::Residential, Kind::Standby, 2, [80, 90], 500, [85, 95], 3000, 5000, 15_000, 300_000, 1000, 100, [60_000, 300_000, 900_000]),
    'K4' => $row(Application::PlugIn, Kind::Standby, 2, [75, 85], 500, [85, 95], 3000, 10_000, 20_000, 60_000, null, 50, [10_000, 60_000, 300_000]),
    'K5' => $row(Application::Mobile, Kind::Mobile, 1, [75, 85], 0, [85, 95], 500, null, 30_000, null, null, 50, [null, null, null]),
    'K6' => $row(Application::Mobile, Kind::Mobile, 2, [75, 85], 0, [85, 95], 500, null, 30_000, null, null, 50, [null, null, null]),
    'K7' => $row(Application::TwoSource, Kind::TwoSource, 3, [85, 90], 500, [95, 98], 2000, 0, 2000, 0, 2000, 150, [10_000, 60_000, 300_000]),
    'K8' => $row(Application::Commercial, Kind::Standby, 3, [85, 90], 500, [85, 95], 3000, 3000, 10_000, 300_000, 2000, 150, [60_000, 300_000, 900_000]),
    'K9' => $row(Application::Commercial, Kind::Standby, 3, [85, 90], 500, [85, 95], 3000, 3000, 10_000, 300_000, 3000, 1500, [60_000, 600_000, 1_800_000]),
    'K10' => $row(Application::Residential, Kind::Standby, 2, [80, 90], 500, [85, 95], 3000, 5000, 15_000, 300_000, null, 100, [60_000, 300_000, 900_000]),
];

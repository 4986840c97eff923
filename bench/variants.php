<?php

declare(strict_types=1);

// Picks variants of the cases of the rules for core/tests/data/variants: of every input one thing is changed, and those are kept that
// notice a change of the code which no other test notices. What they should answer is what the code answers today: read the
// difference before it is committed, as code is read.
// Run: php bench/variants.php --candidates once, php bench/mutate.php --most=300 FOLDER, then php bench/variants.php FOLDER;
// php bench/variants.php --rewrite after a change on purpose.

require_once dirname(__DIR__) . '/vendor/autoload.php';
ini_set('memory_limit', '3G');

use Escapement\Core\Tests\Bench\GoldenHands;
use Escapement\Core\Tests\Calc\Variant;
use Escapement\Core\Tests\Commissioning\GoldenProcedures;
use Escapement\Core\Tests\Materials\GoldenMaterials;
use Escapement\Core\Tests\Planning\GoldenPlans;
use Escapement\Core\Tests\Rehearsal\GoldenStories;
use Escapement\Core\Tests\RelayLogic\GoldenCircuits;
use Escapement\Core\Tests\RelayLogic\GoldenPlays;
use Escapement\Core\Tests\Simulation\GoldenEvents;
use Escapement\Core\Tests\Terminations\GoldenLandings;
use Escapement\Core\Tests\Wire\SchemaPlaces;

const PER_CALCULATION = 500;
const LONGEST_ANSWER = 40;
const GRID = [0.01, 0.1, 0.25, 0.5, 0.7, 0.85, 0.95, 1.05, 1.15, 1.3, 1.5, 2.0, 3.0, 5.0, 10.0, 100.0];

$root = dirname(__DIR__);
$kept = "$root/var/mutate/candidates.json";

/**
 * @param array<string, mixed> $says
 *
 * @return list<mixed>
 */
function other_values(array $says, mixed $has): array
{
    $values = [];
    if (is_int($has) || is_float($has)) {
        $values = is_int($has) && ($says['type'] ?? '') === 'integer'
            ? [$has + 1, $has - 1, $has * 2, intdiv($has, 2), $has * 3]
            : [$has * 1.1, $has * 0.9, $has * 2, $has / 2, $has * 1.25, $has * 5, $has / 5];
    }
    if (is_bool($has) || ($says['type'] ?? '') === 'boolean') {
        $values[] = $has !== true;
    }
    array_push($values, ...array_values(array_intersect_key($says, ['minimum' => 0, 'maximum' => 0])));
    if ($has === null && isset($says['minimum'], $says['maximum']) && $says['maximum'] < 1e6) {
        $values[] = is_int($says['minimum']) && ($says['type'] ?? '') === 'integer'
            ? intdiv($says['minimum'] + $says['maximum'], 2) : ($says['minimum'] + $says['maximum']) / 2;
        $values[] = $says['minimum'] + 1;
    }
    array_push($values, ...$says['enum'] ?? []);

    return array_values(array_filter(
        $values,
        static fn(mixed $value): bool => $value !== $has && (! is_float($value) || abs($value) < 1e12),
    ));
}

/** What an answer says in words and not in figures: which findings, which sizes, yes or no. */
function words_of(string $calc, \stdClass $base, string $pointer, int|float $value): string
{
    try {
        $answer = Variant::answer($calc, Variant::input($base, [$pointer => $value]));
    } catch (\Throwable) {
        return '';
    }

    return (string) json_encode(array_filter($answer, static fn(mixed $one): bool => ! is_int($one) && ! is_float($one)));
}

/**
 * Where the words of an answer change as one figure of the input grows: on the last value before, on the first behind.
 *
 * @param array<string, mixed> $says
 *
 * @return list<int|float>
 */
function edges(string $calc, \stdClass $base, string $pointer, array $says, int|float $has): array
{
    $isWhole = ($says['type'] ?? '') === 'integer';
    $grid = array_map(static fn(float $times): float => $times * ($has == 0 ? 1 : $has), GRID);
    array_push($grid, $has, ...array_values(array_intersect_key($says, ['minimum' => 0, 'maximum' => 0])));
    $grid = array_filter($grid, static fn(int|float $one): bool => $one >= ($says['minimum'] ?? $says['exclusiveMinimum'] ?? -INF)
        && $one <= min(1e7, $says['maximum'] ?? INF) && $one !== ($says['exclusiveMinimum'] ?? null));
    $grid = array_values(array_unique(array_map(static fn(int|float $one): int|float => $isWhole ? (int) round($one) : $one, $grid)));
    sort($grid);
    $edges = [];
    $words = array_map(static fn(int|float $one): string => words_of($calc, $base, $pointer, $one), $grid);
    for ($i = 1; $i < count($grid); $i++) {
        if ($words[$i] === $words[$i - 1]) {
            continue;
        }
        [$from, $to] = [$grid[$i - 1], $grid[$i]];
        while ($isWhole ? $to - $from > 1 : $to - $from > 1e-7 * max(1, abs($to))) {
            $middle = $isWhole ? intdiv($from + $to, 2) : ($from + $to) / 2;
            if (words_of($calc, $base, $pointer, $middle) === $words[$i - 1]) {
                $from = $middle;
            } else {
                $to = $middle;
            }
        }
        $nice = $isWhole ? $from : (float) sprintf('%.5g', ($from + $to) / 2);
        array_push($edges, $from, $to, ...(abs($nice - $from) <= 2e-7 * max(1, abs($to)) ? [$nice] : []));
    }

    return array_slice($edges, 0, 12);
}

/** @return list<array{of: string, calc: string, set: array<string, mixed>, unset: list<string>}> */
function candidates(string $root, int $part, int $parts): array
{
    $byCalc = [];
    $edges = [];
    foreach (Variant::bases() as $of => [$calc, $input]) {
        if (crc32($calc) % $parts !== $part) {
            continue;
        }
        $began = microtime(true);
        $base = Variant::answer($calc, $input);
        $isSlow = microtime(true) - $began > 0.01;
        foreach (SchemaPlaces::ofCalculation($calc)->everyOf($input) as [$path, $says, $has]) {
            $pointer = '/' . implode('/', $path);
            foreach (other_values($says, $has) as $value) {
                $byCalc[$calc][] = ['of' => $of, 'calc' => $calc, 'set' => [$pointer => $value], 'unset' => []];
            }
            $isNumber = in_array($says['type'] ?? '', ['number', 'integer'], true);
            $usual = $has ?? $says['default'] ?? (isset($says['minimum'], $says['maximum']) && $says['maximum'] < 1e6
                ? ($says['minimum'] + $says['maximum']) / 2 : null);
            if (! $isSlow && $isNumber && (is_int($usual) || is_float($usual))) {
                foreach (edges($calc, $input, $pointer, $says, $usual) as $value) {
                    $edges[$calc][] = ['of' => $of, 'calc' => $calc, 'set' => [$pointer => $value], 'unset' => []];
                }
            }
            if ($has !== null) {
                $byCalc[$calc][] = ['of' => $of, 'calc' => $calc, 'set' => [], 'unset' => [$pointer]];
            }
        }
    }
    mt_srand(1);
    $all = [];
    foreach ($byCalc as $calc => $of) {
        shuffle($of);
        array_push($all, ...array_slice($of, 0, PER_CALCULATION));
        $of = $edges[$calc] ?? [];
        shuffle($of);
        array_push($all, ...array_slice($of, 0, PER_CALCULATION));
    }

    return $all;
}

/** @param array<string, mixed> $answer */
function print_of(array $answer): string
{
    array_walk($answer, static function (mixed &$value): void {
        $value = is_int($value) || is_float($value) ? sprintf('%.9e', $value) : $value;
    });
    ksort($answer);

    return md5((string) json_encode($answer));
}

/** @param array{of: string, calc: string, set: array<string, mixed>, unset: list<string>} $one */
function answer_of(array $one): array
{
    static $bases = null;
    $bases ??= iterator_to_array(Variant::bases());

    return Variant::answer($one['calc'], Variant::input($bases[$one['of']][1], $one['set'], $one['unset']));
}

if (($argv[1] ?? '') === '--candidates') {
    $all = [];
    [$part, $parts] = [(int) ($argv[2] ?? 0), (int) ($argv[3] ?? 1)];
    foreach (candidates($root, $part, $parts) as $one) {
        $began = microtime(true);
        try {
            $answer = answer_of($one);
        } catch (\Throwable) {
            continue; // a shape that no reader takes apart: the hostile tests look after those
        }
        if (microtime(true) - $began < 0.05 && $answer !== [] && ! isset($answer['error'])) {
            $all[] = $one + ['print' => print_of($answer)];
        }
    }
    file_put_contents($parts === 1 ? $kept : "$kept.$part", json_encode($all, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    exit(count($all) . " candidates\n");
}

if (($argv[1] ?? '') === '--try') {
    // in the place of a class its mutant: which candidates answer otherwise
    spl_autoload_register(static function (string $class) use ($argv): void {
        if ($class === $argv[2]) {
            require $argv[3];
        }
    }, true, true);
    $noticed = [];
    $calcs = explode(',', $argv[4]);
    foreach (json_decode((string) file_get_contents($kept), true) as $i => $one) {
        if (in_array($one['calc'], $calcs, true)) {
            try {
                $print = print_of(answer_of($one));
            } catch (\Throwable) {
                $print = '';
            }
            if ($print !== $one['print']) {
                $noticed[] = $i;
            }
        }
    }
    echo json_encode($noticed);
    exit;
}

if (($argv[1] ?? '') === '--rewrite') {
    foreach (glob("$root/core/tests/data/variants/*.json") ?: [] as $file) {
        $rows = json_decode((string) file_get_contents($file), true, 512, JSON_THROW_ON_ERROR);
        write($file, array_map(static fn(array $row): array => row(basename($file, '.json'), $row), $rows));
    }
    $goldens = [
        'plans' => GoldenPlans::golden(), 'stories' => GoldenStories::golden(), 'materials' => GoldenMaterials::golden(),
        'landings' => GoldenLandings::golden(), 'circuits' => GoldenCircuits::golden(), 'plays' => GoldenPlays::golden(),
        'procedures' => GoldenProcedures::golden(), 'events' => GoldenEvents::golden(),
        'hands' => GoldenHands::golden(),
    ];
    foreach ($goldens as $file => $golden) {
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION;
        $lines = array_map(
            static fn(string $name, array $said): string => json_encode($name, $flags) . ': ' . json_encode($said, $flags),
            array_keys($golden),
            $golden,
        );
        file_put_contents("$root/core/tests/data/$file.json", "{\n    " . implode(",\n    ", $lines) . "\n}\n");
    }
    exit;
}

/**
 * @param array{of: string, set?: array<string, mixed>, unset?: list<string>, ...} $one
 *
 * @return array<string, mixed> as it is kept
 */
function row(string $calc, array $one): array
{
    static $bases = null;
    $bases ??= iterator_to_array(Variant::bases());
    $base = $bases[$one['of']][1];
    $then = Variant::difference(
        Variant::answer($calc, $base),
        Variant::answer($calc, Variant::input($base, $one['set'] ?? [], $one['unset'] ?? [])),
    );

    return array_filter(
        ['of' => $one['of'], 'set' => $one['set'] ?? [], 'unset' => $one['unset'] ?? []],
        static fn(string|array $value): bool => $value !== [],
    ) + ['then' => (object) $then];
}

/** @param list<array<string, mixed>> $rows */
function write(string $file, array $rows): void
{
    is_dir(dirname($file)) || mkdir(dirname($file));
    $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;
    $lines = array_map(static fn(array $row): string => '    ' . json_encode($row, $flags), $rows);
    file_put_contents($file, "[\n" . implode(",\n", $lines) . "\n]\n");
}

/**
 * The calculations that run through a file, by the names of the cases that do.
 *
 * @return list<string>
 */
function calculations_through(string $root, string $folder, string $file): array
{
    static $map = [];
    $map[$folder] ??= json_decode((string) file_get_contents("$root/var/mutate/$folder.json"), true);
    $calcs = [];
    foreach ($map[$folder][$file] ?? [] as $tests) {
        foreach ($tests as $test) {
            if (preg_match('/CalcCasesTest::\w+#\w+, (\w+):/', $test, $found) === 1
                || preg_match('/#(rehearse|\w+): /', $test, $found) === 1) {
                $calcs[$found[1]] = true;
            } elseif (str_contains($test, 'Tests\\Rehearsal\\')) {
                $calcs['rehearse'] = true;
            }
        }
    }

    return array_keys($calcs);
}

$folder = $argv[1] ?? '';
$mutants = json_decode((string) @file_get_contents("$root/var/mutate/$folder.survivors.json"), true)
    ?? exit("php bench/mutate.php $folder comes first\n");
$candidates = json_decode((string) file_get_contents($kept), true);
$work = sys_get_temp_dir() . '/variants-' . getmypid();
$noticedBy = [];
$running = [];
while ($mutants !== [] || $running !== []) {
    foreach ($running as $slot => [$process, $pipes]) {
        if (! proc_get_status($process)['running']) {
            $noticed = json_decode((string) stream_get_contents($pipes[1]), true);
            proc_close($process);
            unset($running[$slot]);
            if (is_array($noticed) && $noticed !== []) {
                $noticedBy[] = $noticed;
            }
        }
    }
    for ($slot = 0; $slot < 2 && $mutants !== []; $slot++) {
        if (! isset($running[$slot])) {
            $mutant = array_pop($mutants);
            $calcs = calculations_through($root, $folder, $mutant['file']);
            if ($calcs === []) {
                continue;
            }
            file_put_contents("$work-$slot.php", $mutant['code']);
            $class = 'Escapement\\Core\\' . str_replace('/', '\\', substr($mutant['file'], strlen("$root/core/src/"), -4));
            $command = ['timeout', '60', 'php', __FILE__, '--try', $class, "$work-$slot.php", implode(',', $calcs)];
            $process = proc_open($command, [1 => ['file', "$work-$slot.out", 'w'], 2 => ['file', '/dev/null', 'w']], $pipes);
            $running[$slot] = [$process, [1 => fopen("$work-$slot.out", 'r')]];
        }
    }
    usleep(3_000);
}
array_map(unlink(...), glob("$work*") ?: []);

$rows = [];
$sizes = [];
$open = count($noticedBy);
while ($noticedBy !== []) {
    $gain = array_count_values(array_merge(...$noticedBy));
    arsort($gain);
    $best = null;
    foreach (array_slice($gain, 0, 40, true) as $i => $count) {
        $sizes[$i] ??= count((array) row($candidates[$i]['calc'], $candidates[$i])['then']);
        $worth = $count / (4 + $sizes[$i]);
        if ($best === null || $worth > $best[1]) {
            $best = [$i, $worth];
        }
    }
    $i = $best[0];
    if ($sizes[$i] <= LONGEST_ANSWER) {
        $rows[$candidates[$i]['calc']][] = row($candidates[$i]['calc'], $candidates[$i]);
    }
    $noticedBy = array_values(array_filter($noticedBy, static fn(array $noticed): bool => ! in_array($i, $noticed, true)));
}
foreach ($rows as $calc => $more) {
    $file = "$root/core/tests/data/variants/$calc.json";
    $has = is_file($file) ? json_decode((string) file_get_contents($file), true) : [];
    $key = static fn(array $row): string => $row['of'] . json_encode([$row['set'] ?? [], $row['unset'] ?? []]);
    $has = array_column(array_map(static fn(array $row): array => [$key($row), $row], [...$has, ...$more]), 1, 0);
    write($file, array_values($has));
}
printf("%s: %d variants notice %d of the changes that nothing noticed\n", $folder, array_sum(array_map(count(...), $rows)), $open);

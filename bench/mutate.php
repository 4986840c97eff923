<?php

declare(strict_types=1);

// How much the tests of the core notice: a folder of it is changed in one small place at a time, and the tests that run through that
// line are run. What no test notices is printed. Nothing is written into the project but var/: the changed class is loaded from a
// temporary file in the place of its own. Which test runs through which line is asked of pcov (Debian: php-pcov) once and kept in
// var/mutate; tests written since are run as well.
// Run: php bench/mutate.php [--most=300] [--seed=1] [--jobs=2] [--own] [--map] FOLDER
//   --own    only the tests of the folder itself and the cases of the rules
//   --map    ask again which test runs through which line

require_once dirname(__DIR__) . '/vendor/autoload.php';

const FLIPS = [
    '<' => '<=', '>' => '>=', '<=' => '<', '>=' => '>', '===' => '!==', '!==' => '===', '&&' => '||', '||' => '&&', '+' => '-', '-' => '+',
    '*' => '/', '/' => '*', '!' => '', '%' => '*',
];
const NOTHING = ['array' => '[]', 'int' => '0', 'float' => '0.0', 'string' => "''", 'bool' => 'false'];
const BEFORE_A_TERM = ['(', ',', '=', 'return', '=>', '?', ':', '[', '*'];
const PATIENCE_S = 30;
const TESTS_A_SECOND = 20; // at the slowest: what runs through everything takes its time, and is no endless loop

$root = dirname(__DIR__);
$options = getopt('', ['most:', 'seed:', 'jobs:', 'own', 'map'], $rest);
$folder = $argv[$rest] ?? '';
if ($folder === '' || ! is_dir("$root/core/src/$folder")) {
    fwrite(STDERR, "php bench/mutate.php FOLDER, one of core/src\n");
    exit(64);
}

/**
 * What a function that ends here would give if it gave nothing; null where that is no change or no type.
 *
 * @param list<\PhpToken> $tokens
 */
function emptied(array $tokens, int $return): ?string
{
    for ($i = $return; $i > 0 && ! in_array($tokens[$i]->id, [T_FUNCTION, T_FN], true); $i--);
    $type = '';
    for ($hasColon = false; $i < $return && $tokens[$i]->text !== '{'; $i++) {
        $hasColon = $hasColon || $tokens[$i]->text === ':' && $tokens[$i - 1]->text === ')';
        $type .= $hasColon ? $tokens[$i]->text : '';
    }
    $type = trim(ltrim($type, ':'));
    $nothing = str_starts_with($type, '?') ? 'null' : NOTHING[$type] ?? null;
    $given = trim(implode('', array_column(array_slice($tokens, $return + 1, 3), 'text')), " ;\n}");

    return $given === $nothing ? null : $nothing;
}

/** @return list<array{file: string, line: int, was: string, is: string, code: string}> */
function mutants(string $file): array
{
    $tokens = \PhpToken::tokenize((string) file_get_contents($file), TOKEN_PARSE);
    $all = [];
    $previous = null;
    $depth = 0;
    foreach ($tokens as $i => $token) {
        $depth += match ($token->text) {
            '{' => 1,
            '}' => -1,
            default => 0,
        };
        $is = match (true) {
            $depth < 2 && ! in_array($token->id, [T_LNUMBER, T_DNUMBER], true) => null, // types and signatures
            in_array('strict_types', array_column(array_slice($tokens, max(0, $i - 3), 3), 'text'), true) => null,
            $token->id === T_LNUMBER => (string) ((int) str_replace('_', '', $token->text) + 1),
            $token->id === T_DNUMBER => (string) json_encode((float) str_replace('_', '', $token->text) * 1.1 + 1e-3),
            // a minus that begins a term is no subtraction
            in_array($token->text, ['+', '-'], true) && in_array($previous?->text, BEFORE_A_TERM, true) => null,
            isset(FLIPS[$token->text]) => FLIPS[$token->text],
            $token->id === T_RETURN && ($empty = emptied($tokens, $i)) !== null => "return $empty; return",
            default => null,
        };
        if ($is !== null && $is !== $token->text) {
            $texts = array_column($tokens, 'text');
            $texts[$i] = $is;
            $code = implode('', $texts);
            $all[] = ['file' => $file, 'line' => $token->line, 'was' => $token->text, 'is' => $is, 'code' => $code];
        }
        if (! in_array($token->id, [T_WHITESPACE, T_COMMENT, T_DOC_COMMENT], true)) {
            $previous = $token;
        }
    }

    return $all;
}

/**
 * Which test runs through which line of this folder: file → line → tests. Asked of the whole core at once.
 *
 * @return array<string, array<int, list<string>>>
 */
function covering(string $root, string $folder, bool $isFresh): array
{
    $kept = "$root/var/mutate";
    if ($isFresh || ! is_file("$kept/$folder.json")) {
        is_dir($kept) || mkdir($kept, 0o755, true);
        ini_set('memory_limit', '4G');
        passthru(sprintf(
            'php -d memory_limit=4G -d extension=pcov -d pcov.enabled=1 -d pcov.directory=%1$s/core/src %1$s/vendor/bin/phpunit '
                . '--no-configuration --bootstrap %1$s/vendor/autoload.php --coverage-filter %1$s/core/src --coverage-php %2$s '
                . '--no-output %1$s/core/tests',
            escapeshellarg($root),
            escapeshellarg("$kept/raw.php"),
        ));
        is_file("$kept/raw.php") || exit("pcov gave nothing: is php-pcov installed?\n");
        $byFolder = [];
        foreach ((require "$kept/raw.php")->getData()->lineCoverage() as $file => $lines) {
            $byFolder[explode('/', substr($file, strlen("$root/core/src/")))[0]][$file] = array_filter($lines);
        }
        foreach ($byFolder as $name => $files) {
            file_put_contents("$kept/$name.json", json_encode($files, JSON_THROW_ON_ERROR));
        }
        unlink("$kept/raw.php");
    }

    return json_decode((string) file_get_contents("$kept/$folder.json"), true, 512, JSON_THROW_ON_ERROR);
}

/** The file of a test: "Escapement\Core\Tests\Power\FuelTest::…" stands in core/tests/Power/FuelTest.php. */
function file_of(string $root, string $id): string
{
    $class = strstr($id, '::', true) ?: $id;

    return "$root/core/tests/" . str_replace('\\', '/', substr($class, strlen('Escapement\\Core\\Tests\\'))) . '.php';
}

/**
 * Tests as an expression that names them, the data sets of one behind its name.
 *
 * @param list<string> $ids "Class::method#set", a set of * for all
 *
 * @return list<string>
 */
function names_of(array $ids): array
{
    $sets = [];
    foreach ($ids as $id) {
        [$test, $set] = explode('#', $id, 2) + [1 => null];
        $sets[$test][] = match (true) {
            $set === null => '',
            $set === '*' => '( with data set .*)?',
            ctype_digit($set) => " with data set \#$set",
            default => ' with data set "' . preg_quote($set, '{') . '"',
        };
    }
    $names = [];
    foreach ($sets as $test => $of) {
        $names[] = preg_quote($test, '{') . '(' . implode('|', array_unique($of)) . ')';
    }

    return $names;
}

/**
 * The command that runs these tests, and those of files newer than the map.
 *
 * @param list<string> $ids
 * @param list<string> $newer
 */
function command(string $root, string $bootstrap, array $ids, array $newer): string
{
    $names = names_of($ids);
    if (@preg_match('{^(' . implode('|', $names) . ')$}', '') === false) { // longer than an expression may be
        $names = names_of(array_values(array_unique(array_map(static fn(string $id): string => explode('#', $id, 2)[0] . '#*', $ids))));
    }
    foreach ($newer as $file) {
        $names[] = preg_quote('Escapement\\Core\\Tests\\' . strtr(substr($file, strlen("$root/core/tests/"), -4), '/', '\\'), '{') . '::.*';
    }
    $files = array_unique([...$newer, ...array_map(static fn(string $id): string => file_of($root, $id), $ids)]);

    return sprintf(
        'timeout %d php -d memory_limit=512M %s --bootstrap %s --no-configuration --no-progress '
            . '--stop-on-defect --fail-on-warning --fail-on-risky --filter %s %s >/dev/null 2>&1',
        PATIENCE_S + intdiv(count($ids), TESTS_A_SECOND),
        escapeshellarg("$root/vendor/bin/phpunit"),
        escapeshellarg($bootstrap),
        escapeshellarg('{^(' . implode('|', $names) . ')$}'),
        implode(' ', array_map(escapeshellarg(...), array_filter($files, is_file(...)))),
    );
}

/**
 * Composer's loader first: the one of the mutant, which comes after it, is then asked before it.
 *
 * @param array{file: string, line: int, was: string, is: string, code: string} $mutant
 */
function bootstrap(string $root, string $work, array $mutant): string
{
    file_put_contents("$work.mutant.php", $mutant['code']);
    $class = 'Escapement\\Core\\' . str_replace('/', '\\', substr($mutant['file'], strlen("$root/core/src/"), -4));
    file_put_contents("$work.php", sprintf(
        '<?php require_once %s; spl_autoload_register('
            . 'static function (string $class): void { if ($class === %s) { require %s; } }, true, true);',
        var_export("$root/vendor/autoload.php", true),
        var_export($class, true),
        var_export("$work.mutant.php", true),
    ));

    return "$work.php";
}

$all = [];
$below = new \RecursiveDirectoryIterator("$root/core/src/$folder", \FilesystemIterator::SKIP_DOTS);
foreach (new \RecursiveIteratorIterator($below) as $file) {
    if ($file instanceof \SplFileInfo && $file->getExtension() === 'php') {
        array_push($all, ...mutants($file->getPathname()));
    }
}
mt_srand((int) ($options['seed'] ?? 1));
shuffle($all);
$all = array_slice($all, 0, (int) ($options['most'] ?? 300));

$map = covering($root, $folder, isset($options['map']));
$isOwn = isset($options['own']);
$mapped = (int) filemtime("$root/var/mutate/$folder.json");
$newer = [];
foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("$root/core/tests", \FilesystemIterator::SKIP_DOTS)) as $file) {
    if ($file instanceof \SplFileInfo && str_ends_with($file->getFilename(), 'Test.php') && $file->getMTime() > $mapped) {
        $newer[] = $file->getPathname();
    }
}
$ours = static fn(string $test): bool => ! str_contains($test, '\\Cli\\')
    && (! $isOwn || str_contains($test, 'Tests\\Calc\\') || str_contains($test, "Tests\\$folder\\"));
$testsOf = static function (array $mutant) use ($map, $ours): array {
    $lines = $map[$mutant['file']] ?? [];
    $ids = $lines[$mutant['line']] ?? null;
    $of = $ids ?? array_values(array_unique(array_merge(...array_values($lines))));

    return array_values(array_filter($of, $ours));
};

$work = sys_get_temp_dir() . '/mutate-' . getmypid() . '-';
$jobs = max(1, (int) ($options['jobs'] ?? 2));
$running = [];
$survivors = [];
$began = microtime(true);
$next = 0;
while ($next < count($all) || $running !== []) {
    foreach ($running as $slot => [$process, $mutant]) {
        $status = proc_get_status($process);
        if (! $status['running']) {
            proc_close($process);
            unset($running[$slot]);
            if ($status['exitcode'] === 0) {
                $survivors[] = $mutant;
            }
        }
    }
    for ($slot = 0; $slot < $jobs && $next < count($all); $slot++) {
        if (! isset($running[$slot])) {
            $mutant = $all[$next++];
            $ids = $testsOf($mutant);
            if ($ids === [] && $newer === []) {
                $survivors[] = $mutant;
                continue;
            }
            $process = proc_open(command($root, bootstrap($root, $work . $slot, $mutant), $ids, $newer), [], $pipes);
            $running[$slot] = [$process, $mutant];
        }
    }
    usleep(5_000);
}
array_map(unlink(...), glob("$work*") ?: []);

usort($survivors, static fn(array $a, array $b): int => [$a['file'], $a['line']] <=> [$b['file'], $b['line']]);
foreach ($survivors as $mutant) {
    $at = substr($mutant['file'], strlen("$root/core/src/"));
    printf("survives  %s:%d  %s became %s\n", $at, $mutant['line'], $mutant['was'], $mutant['is']);
}
file_put_contents("$root/var/mutate/$folder.survivors.json", json_encode($survivors, JSON_THROW_ON_ERROR));
$killed = count($all) - count($survivors);
printf(
    "%s: %d of %d changes noticed (%.0f %%), %.0f s\n",
    $folder,
    $killed,
    count($all),
    $all === [] ? 100 : 100 * $killed / count($all),
    microtime(true) - $began,
);

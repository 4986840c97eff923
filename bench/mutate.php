<?php

declare(strict_types=1);

// How much the tests of a folder of the core notice: the code is changed in one small place at a time, and its tests are run. What no test
// notices is printed. Nothing is written into the project: the changed class is loaded from a temporary file in the place of its own.
// Run: php bench/mutate.php [--most=300] [--seed=1] [--also=core/tests/Calc,core/tests/Settings] LoadTest

const FLIPS = [
    '<' => '<=', '>' => '>=', '<=' => '<', '>=' => '>', '===' => '!==', '!==' => '===', '&&' => '||', '||' => '&&', '+' => '-', '-' => '+',
    '*' => '/', '/' => '*', '!' => '', '%' => '*',
];
const PATIENCE_S = 30;
const BEFORE_A_TERM = ['(', ',', '=', 'return', '=>', '?', ':', '[', '*'];

$root = dirname(__DIR__);
$options = getopt('', ['most:', 'seed:', 'also:'], $rest);
$folder = $argv[$rest] ?? '';
if ($folder === '' || ! is_dir("$root/core/src/$folder")) {
    fwrite(STDERR, "php bench/mutate.php FOLDER, one of core/src\n");
    exit(64);
}
$tests = array_values(array_filter([
    is_dir("$root/core/tests/$folder") ? "$root/core/tests/$folder" : null,
    ...array_map(static fn(string $also): string => "$root/$also", array_filter(explode(',', $options['also'] ?? ''))),
]));

/**
 * @return list<array{file: string, line: int, was: string, is: string, code: string}>
 */
$mutants = static function (string $file): array {
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
            $token->id === T_LNUMBER => (string) ((int) str_replace('_', '', $token->text) + 1),
            $token->id === T_DNUMBER => (string) json_encode((float) str_replace('_', '', $token->text) * 1.1 + 1e-3),
            // a minus that begins a term is no subtraction
            in_array($token->text, ['+', '-'], true) && in_array($previous?->text, BEFORE_A_TERM, true) => null,
            isset(FLIPS[$token->text]) => FLIPS[$token->text],
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
};

$all = [];
$below = new \RecursiveDirectoryIterator("$root/core/src/$folder", \FilesystemIterator::SKIP_DOTS);
foreach (new \RecursiveIteratorIterator($below) as $file) {
    if ($file instanceof \SplFileInfo && $file->getExtension() === 'php') {
        array_push($all, ...$mutants($file->getPathname()));
    }
}
mt_srand((int) ($options['seed'] ?? 1));
shuffle($all);
$all = array_slice($all, 0, (int) ($options['most'] ?? 300));

$work = sys_get_temp_dir() . '/mutate-' . getmypid();
mkdir($work);
$run = static function (array $mutant, string $path) use ($work, $root): bool {
    file_put_contents("$work/mutant.php", $mutant['code']);
    // Composer's loader first: the one of the mutant, which comes after it, is then asked before it
    file_put_contents("$work/bootstrap.php", sprintf(
        '<?php require_once %s; spl_autoload_register('
            . 'static function (string $class): void { if ($class === %s) { require %s; } }, true, true);',
        var_export("$root/vendor/autoload.php", true),
        var_export('Escapement\\Core\\' . str_replace('/', '\\', substr($mutant['file'], strlen("$root/core/src/"), -4)), true),
        var_export("$work/mutant.php", true),
    ));
    exec(sprintf(
        'timeout %d php -d memory_limit=512M %s --bootstrap %s --no-configuration --stop-on-defect --no-progress %s >/dev/null 2>&1',
        PATIENCE_S,
        escapeshellarg("$root/vendor/bin/phpunit"),
        escapeshellarg("$work/bootstrap.php"),
        escapeshellarg($path),
    ), $ignored, $code);

    return $code !== 0;
};

$killed = 0;
$began = microtime(true);
foreach ($all as $i => $mutant) {
    $isKilled = false;
    foreach ($tests as $path) {
        $isKilled = $isKilled || $run($mutant, $path);
    }
    $killed += $isKilled ? 1 : 0;
    if (! $isKilled) {
        $at = substr($mutant['file'], strlen("$root/core/src/"));
        printf("survives  %s:%d  %s became %s\n", $at, $mutant['line'], $mutant['was'], $mutant['is']);
    }
}
printf(
    "%s: %d of %d changes noticed (%.0f %%), %.0f s\n",
    $folder,
    $killed,
    count($all),
    count($all) === 0 ? 100 : 100 * $killed / count($all),
    microtime(true) - $began,
);
array_map(unlink(...), glob("$work/*") ?: []);
rmdir($work);

<?php

declare(strict_types=1);

// Which PHP libraries are installed, and whether they are those that were tested: there is no lock file, so what a library brings
// along may move by itself. `php bin/lib/versions.php` tells; with --keep what is installed becomes what was tested.

$root = dirname(__DIR__, 2);
$list = "$root/composer.versions";
/** @var array{packages: list<array{name: string, version: string}>} $installed */
$installed = json_decode((string) file_get_contents("$root/vendor/composer/installed.json"), true, 64, JSON_THROW_ON_ERROR);
$now = array_column($installed['packages'], 'version', 'name');
ksort($now);
if (in_array('--keep', $argv, true)) {
    file_put_contents(
        $list,
        implode('', array_map(static fn(string $name, string $version): string => "$name $version\n", array_keys($now), $now)),
    );
    exit(0);
}
$tested = [];
foreach (file($list, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
    [$name, $version] = explode(' ', $line);
    $tested[$name] = $version;
}
$other = [];
foreach ($now + $tested as $name => $version) {
    $is = $now[$name] ?? 'missing';
    $was = $tested[$name] ?? 'not there';
    if ($is !== $was) {
        $other[] = "  $name $is (tested: $was)";
    }
}
printf("PHP %s, %d libraries, %s.\n", PHP_VERSION, count($now), $other === [] ? 'all as tested' : count($other) . ' not as tested');
echo $other === [] ? '' : implode("\n", $other) . "\n";

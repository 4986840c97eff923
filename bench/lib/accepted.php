<?php

declare(strict_types=1);

// Whether each mark that was accepted stands in the table and in the record of its run, once: php accepted.php DSN USER PASSWORD FILE

[, $dsn, $user, $password, $file] = $argv;
$pdo = new \PDO($dsn, $user, $password);
$lost = $double = $all = 0;
foreach (json_decode((string) file_get_contents($file), true, 16, JSON_THROW_ON_ERROR) as ['run' => $run, 'accepted' => $accepted]) {
    $id = (int) basename($run);
    $marks = $pdo->query("SELECT id FROM marks WHERE run_id = $id")->fetchAll(\PDO::FETCH_COLUMN);
    $entries = $pdo->query("SELECT JSON_VALUE(entry, '$.what.id') FROM record_entries WHERE run_id = $id "
        . "AND JSON_VALUE(entry, '$.kind') = 'mark'")->fetchAll(\PDO::FETCH_COLUMN);
    $lost += count(array_diff($accepted, $marks)) + count(array_diff($accepted, $entries));
    $double += count($entries) - count(array_unique($entries));
    $all += count($accepted);
}
echo "$all marks accepted: $lost lost, $double double.\n";
exit($lost + $double === 0 && $all > 0 ? 0 : 1);

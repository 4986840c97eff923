<?php

declare(strict_types=1);

namespace App\Providers;

use Illuminate\Database\Connectors\ConnectionFactory;

/**
 * Several servers of one database (`DB_HOST` with commas): the first that is ready is used, by every web node the same, so that a row that
 * one node locks is locked for all. A server that answers but has not caught up with its cluster is not ready.
 */
final class OrderedHosts extends ConnectionFactory
{
    /** @param array<string, mixed> $config */
    protected function createPdoResolverWithHosts(array $config): \Closure
    {
        return function () use ($config): \PDO {
            $failed = null;
            $hosts = $this->parseHosts($config);
            foreach ($hosts as $host) {
                try {
                    $pdo = $this->createConnector(['host' => $host] + $config)->connect(['host' => $host] + $config);
                    if (count($hosts) > 1) {
                        $pdo->query('SELECT 1');
                    }

                    return $pdo;
                } catch (\PDOException $failed) {
                    continue;
                }
            }
            throw $failed ?? new \PDOException('No server of the database is named.');
        };
    }
}

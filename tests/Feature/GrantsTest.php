<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\RecordEntry;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What the account of the application may do: write into records, and never change what is there. */
final class GrantsTest extends TestCase
{
    private const ACCOUNT = 'escapement_grants_test';

    protected function tearDown(): void
    {
        DB::purge('narrow');
        if (config('database.connections.wide') !== null) {
            DB::connection('wide')->statement("DROP USER IF EXISTS '" . self::ACCOUNT . "'@'127.0.0.1'");
            DB::purge('wide');
        }
        parent::tearDown();
    }

    #[Test, DataProvider('statements')]
    public function a_record_only_grows(string $sql, bool $isAllowed): void
    {
        $narrow = $this->narrow();
        try {
            DB::connection($narrow)->statement($sql);
            self::assertTrue($isAllowed, "$sql went through");
        } catch (QueryException $refused) {
            self::assertFalse($isAllowed, $refused->getMessage());
            self::assertStringContainsString('command denied', $refused->getMessage());
        }
    }

    /** @return iterable<string, array{string, bool}> */
    public static function statements(): iterable
    {
        yield 'reading a record' => ['SELECT * FROM record_entries', true];
        yield 'changing a record' => ["UPDATE record_entries SET entry = '{}'", false];
        yield 'deleting from a record' => ['DELETE FROM record_entries', false];
        yield 'emptying a record' => ['TRUNCATE record_entries', false];
        yield 'taking the table away' => ['DROP TABLE record_entries', false];
        yield 'a trigger behind it' => ['CREATE TRIGGER t BEFORE INSERT ON record_entries FOR EACH ROW SET NEW.seq = 1', false];
        yield 'changing a site' => ["UPDATE sites SET name = 'x' WHERE id = 0", true];
        yield 'striking out a reading' => ["UPDATE load_readings SET struck_why = 'x' WHERE hz = 0", true];
        yield 'a table of its own' => ['CREATE TABLE mine (id INT)', false];
    }

    #[Test]
    public function a_name_with_quotes_is_no_account(): void
    {
        $this->expectException(\InvalidArgumentException::class);
        Artisan::call('db:grants', ['account' => "x'; DROP DATABASE escapement; --"]);
    }

    /** The name of a connection with the narrow account. */
    private function narrow(): string
    {
        Artisan::call('db:grants', ['account' => self::ACCOUNT]);
        // statements on accounts end a transaction: they go through a connection of their own
        config(['database.connections.wide' => config('database.connections.' . config('database.default'))]);
        $wide = DB::connection('wide');
        $wide->statement("CREATE OR REPLACE USER '" . self::ACCOUNT . "'@'127.0.0.1' IDENTIFIED BY 'narrow'");
        foreach (array_filter(explode("\n", Artisan::output())) as $grant) {
            $wide->statement($grant);
        }
        config(['database.connections.narrow' => ['username' => self::ACCOUNT, 'password' => 'narrow']
            + config('database.connections.' . config('database.default'))]);
        self::assertSame(0, RecordEntry::query()->withoutGlobalScope('company')->count());

        return 'narrow';
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use Monolog\Handler\TestHandler;
use Monolog\Logger;
use Monolog\LogRecord;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What fails says so on the page and in the log, by one number, and without what anybody typed. */
final class FailureTest extends TestCase
{
    #[Test]
    public function a_failure_has_one_number_on_the_page_and_in_the_log(): void
    {
        config(['app.debug' => false]);
        $handler = $this->log();
        Route::get('/test-failure', static fn() => throw new \RuntimeException('A wheel came off.'));
        $answer = $this->get('/test-failure')->assertStatus(500);
        $id = (string) $answer->headers->get('X-Request-Id');
        self::assertMatchesRegularExpression('/^[a-z0-9]{10}$/', $id);
        $answer->assertSee($id);
        self::assertTrue($handler->hasErrorThatPasses(static fn(LogRecord $record): bool => str_contains(
            $record->message,
            'A wheel came off.',
        )));
        self::assertSame($id, Context::get('request'));
    }

    #[Test]
    public function the_log_of_a_query_holds_no_values(): void
    {
        $handler = $this->log();
        try {
            DB::select('SELECT * FROM no_such_table WHERE secret = ?', ['hunter2-hash']);
            self::fail('The table is there.');
        } catch (QueryException $e) {
            report($e);
        }
        self::assertTrue($handler->hasErrorRecords());
        foreach ($handler->getRecords() as $record) {
            self::assertStringNotContainsString('hunter2-hash', $record->message . json_encode($record->context));
        }
    }

    #[Test]
    public function a_body_of_millions_of_keys_is_refused_before_it_is_read(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $body = '{' . implode(',', array_map(static fn(int $i): string => "\"k$i\":1", range(1, 400_000))) . '}';
        $this->call(
            'POST',
            "/runs/$run->id/marks",
            [],
            [],
            [],
            ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            $body,
        )->assertStatus(413);
    }

    private function log(): TestHandler
    {
        $handler = new TestHandler();
        config([
            'logging.channels.watched' => ['driver' => 'custom', 'via' => static fn() => new Logger('watched', [$handler])],
            'logging.default' => 'watched',
        ]);
        Log::forgetChannel('null');

        return $handler;
    }
}

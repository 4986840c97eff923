<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Cli;

use Escapement\Core\Tests\CaseFile;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class CommandLineTest extends TestCase
{
    #[Test]
    public function one_object_in_one_object_out(): void
    {
        [$case] = iterator_to_array(CaseFile::read('timing'))['a sag shorter than the drop-out delay is ridden through'];
        [$exit, $out, $err] = $this->command('rehearse -', json_encode($case->input, JSON_THROW_ON_ERROR));
        self::assertSame([0, ''], [$exit, $err]);
        self::assertSame(1, json_decode($out, true)['metrics']['sags_ridden']);
    }

    #[Test]
    public function bad_input_says_nothing_on_stdout_and_exits_with_2(): void
    {
        [$exit, $out, $err] = $this->command('rehearse', '{"system":5}');
        self::assertSame([2, ''], [$exit, $out]);
        self::assertSame('/system', json_decode($err, true)['error']['path']);
    }

    #[Test]
    public function a_bad_line_gives_its_error_in_its_place_and_2_at_the_end(): void
    {
        $good = [];
        foreach (CaseFile::read('settings') as [$case]) {
            if (! isset($case->expect->error)) {
                $good[] = json_encode(['calc' => $case->calc, 'input' => $case->input], JSON_THROW_ON_ERROR);
            }
        }
        [$exit, $out] = $this->command(
            'calc --lines',
            implode("\n", [$good[0], '{"calc":"nothing","input":{}}', 'rubbish', $good[1]]) . "\n",
        );
        $lines = array_map(static fn(string $line): mixed => json_decode($line, true), explode("\n", trim($out)));
        self::assertSame(2, $exit);
        self::assertCount(4, $lines);
        self::assertArrayHasKey('expected', $lines[0]);
        self::assertSame('/calc', $lines[1]['error']['path']);
        self::assertSame('', $lines[2]['error']['path']);
        self::assertArrayHasKey('expected', $lines[3]);
    }

    #[Test]
    public function help_names_every_command_and_a_wrong_word_is_told(): void
    {
        [$exit, $out] = $this->command('--help', '');
        self::assertSame(0, $exit);
        foreach (['rehearse', 'calc', 'schema', 'verify-record', 'timing_verdict'] as $word) {
            self::assertStringContainsString($word, $out);
        }
        self::assertSame(64, $this->command('reherse', '')[0]);
        self::assertSame(64, $this->command('calc guess', '{}')[0]);
    }

    /** @return array{int, string, string} exit code, stdout, stderr */
    private function command(string $arguments, string $stdin): array
    {
        $root = dirname(__DIR__, 3);
        $process = proc_open(PHP_BINARY . " $root/bin/escapement $arguments", [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        fwrite($pipes[0], $stdin);
        fclose($pipes[0]);
        $out = (string) stream_get_contents($pipes[1]);
        $err = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $out, $err];
    }
}

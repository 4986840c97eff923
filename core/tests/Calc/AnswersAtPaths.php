<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Calc;

use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;

/** For tests that ask a calculation and look at single places of its answer: `items/0/due`; `ids` are its findings. */
trait AnswersAtPaths
{
    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expected by path; of `ids` one that is raised, of `no` one that is not, of `said` a part of the words
     */
    private static function assertAnswers(string $calc, array $input, array $expected): void
    {
        $answer = json_decode(
            json_encode((new Calculations())->calc($calc, Node::fromArray($input)), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        $ids = array_column($answer['findings'], 'id');
        $words = implode("\n", array_map(static fn(array $one): string => "$one[message] $one[because]", $answer['findings']));
        foreach ($expected as $path => $value) {
            $at = $answer;
            foreach (explode('/', $path) as $key) {
                $at = is_array($at) ? $at[$key] ?? null : null;
            }
            match (true) {
                $path === 'ids' => self::assertContains($value, $ids),
                $path === 'no' => self::assertNotContains($value, $ids),
                $path === 'said' => self::assertStringContainsString($value, $words),
                default => self::assertEqualsWithDelta($value, $at, 1e-9, $path),
            };
        }
    }
}

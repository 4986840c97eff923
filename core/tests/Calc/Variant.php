<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Calc;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;

/** A case of the rules with one thing of its input changed, and how its answer then differs. */
final readonly class Variant
{
    private const CHAPTERS = ['timing', 'settings', 'loads', 'wiring', 'topology', 'panel', 'schedule', 'bench'];
    /** Words may be said better without any of this being another answer. */
    private const WORDS = ['because', 'reason', 'title', 'action', 'message', 'text', 'expression', 'gives', 'do'];

    /** @return iterable<string, array{string, \stdClass}> by name: the calculation and an input that it takes */
    public static function bases(): iterable
    {
        foreach (self::CHAPTERS as $chapter) {
            foreach (CaseFile::read($chapter) as $name => [$case]) {
                $calc = $case->calc ?? 'rehearse';
                if (! isset($case->expect->error) && in_array($calc, ['rehearse', ...Calculations::NAMES], true)) {
                    yield $name => [$calc, $case->input];
                }
            }
        }
        $lines = (array) file(dirname(__DIR__, 3) . '/docs/examples/cases.jsonl', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES);
        foreach ($lines as $i => $line) {
            $example = json_decode((string) $line, false, 512, JSON_THROW_ON_ERROR);
            yield "example $i" => [$example->calc, $example->input];
        }
    }

    /**
     * The input with these places changed, and these taken out.
     *
     * @param array<string, mixed> $set   by JSON Pointer
     * @param list<string>         $unset
     */
    public static function input(\stdClass $base, array $set, array $unset = []): \stdClass
    {
        foreach ($set as $pointer => $value) {
            $base = self::with($base, explode('/', substr($pointer, 1)), $value, false);
        }
        foreach ($unset as $pointer) {
            $base = self::with($base, explode('/', substr($pointer, 1)), null, true);
        }

        return $base;
    }

    /**
     * The answer laid flat, without its words: findings by id and place, working by its label.
     *
     * @return array<string, mixed>
     */
    public static function answer(string $calc, \stdClass $input): array
    {
        $calculations = new Calculations();
        try {
            $answer = $calc === 'rehearse' ? $calculations->rehearse(new Node($input)) : $calculations->calc($calc, new Node($input));
        } catch (BadInput $e) {
            return ['error' => $e->path];
        }
        $flat = [];
        foreach ($answer['findings'] ?? [] as $finding) {
            $at = ($finding['at'] ?? []) === [] ? '' : ' at ' . json_encode($finding['at'], JSON_UNESCAPED_SLASHES);
            $flat["finding $finding[id]$at"] = $finding['severity'];
        }
        foreach ($answer['working'] ?? [] as $i => $line) {
            if (is_array($line)) {
                $flat["working $i"] = $line['value'] ?? null;
            }
        }
        self::flatten(CaseFile::asArray(array_diff_key($answer, ['findings' => 0, 'working' => 0])), '', $flat);

        return $flat;
    }

    /**
     * @param array<string, mixed> $answer
     *
     * @return array<string, mixed> by JSON Pointer, without its words
     */
    public static function flat(array $answer): array
    {
        $flat = [];
        self::flatten(CaseFile::asArray($answer), '', $flat);

        return $flat;
    }

    /**
     * @param array<string, mixed> $before
     * @param array<string, mixed> $after
     *
     * @return array<string, mixed> what is another value or new; null where something is gone
     */
    public static function difference(array $before, array $after): array
    {
        $changed = array_filter(
            $after,
            static fn(mixed $value, string $key): bool => ! array_key_exists($key, $before) || ! self::isSame($before[$key], $value),
            ARRAY_FILTER_USE_BOTH,
        );

        return $changed + array_fill_keys(array_keys(array_diff_key($before, $after)), null);
    }

    public static function isSame(mixed $one, mixed $other): bool
    {
        return (is_int($one) || is_float($one)) && (is_int($other) || is_float($other))
            ? abs($one - $other) <= 1e-9 * max(1, abs($one))
            : $one === $other;
    }

    /** @param array<string, mixed> $flat */
    private static function flatten(mixed $value, string $at, array &$flat): void
    {
        if (! is_array($value) || $value === []) {
            $flat[$at] = $value;

            return;
        }
        foreach ($value as $key => $one) {
            if (! in_array($key, self::WORDS, true) || ! is_string($one)) {
                self::flatten($one, "$at/$key", $flat);
            }
        }
    }

    /** @param list<string> $path */
    private static function with(mixed $input, array $path, mixed $value, bool $isGone): mixed
    {
        if ($path === []) {
            return $value;
        }
        $step = array_shift($path);
        if (is_array($input)) {
            if ($path === [] && $isGone) {
                unset($input[(int) $step]);

                return array_values($input);
            }
            $input[(int) $step] = self::with($input[(int) $step] ?? null, $path, $value, $isGone);

            return $input;
        }
        $copy = $input instanceof \stdClass ? clone $input : new \stdClass();
        if ($path === [] && $isGone) {
            unset($copy->{$step});
        } else {
            $copy->{$step} = self::with($copy->{$step} ?? null, $path, $value, $isGone);
        }

        return $copy;
    }
}

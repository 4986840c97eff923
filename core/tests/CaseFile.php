<?php

declare(strict_types=1);

namespace Escapement\Core\Tests;

/** Golden cases: a name, an input, and what the reference answers. */
final class CaseFile
{
    /** @return \Generator<string, array{\stdClass}> by the name of the case */
    public static function read(string $name): \Generator
    {
        $cases = json_decode((string) file_get_contents(__DIR__ . "/data/$name.cases.json"), false, 512, JSON_THROW_ON_ERROR);
        if (! is_array($cases)) {
            throw new \LogicException("$name.cases.json is no list.");
        }
        foreach ($cases as $case) {
            yield (isset($case->calc) ? "$case->calc: " : '') . $case->name => [$case];
        }
    }

    public static function asArray(mixed $value): mixed
    {
        return json_decode(json_encode($value, JSON_THROW_ON_ERROR), true, 512, JSON_THROW_ON_ERROR);
    }
}

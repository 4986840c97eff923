<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\Device\ProfileReader;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ScenarioReader;

/** A document with a published schema, read by the reader of it. */
final class Document
{
    /**
     * @return array<string, mixed>|object what is read, or what is answered where a reader hands nothing out
     *
     * @throws BadInput
     */
    public static function read(string $schema, Node $node): array|object
    {
        $reader = (new Calculations())->reader($schema);

        return match (true) {
            $reader instanceof InputReader => $reader->input($node),
            $schema === 'rehearse' => (new ScenarioReader())->scenario($node),
            $schema === 'device-profile' => (new ProfileReader())->profile($node),
            default => (new Calculations())->calc($schema, $node),
        };
    }

    /**
     * Reads it and works it out, where there is something to work out.
     *
     * @throws BadInput
     */
    public static function answer(string $schema, Node $node): void
    {
        match (true) {
            $schema === 'rehearse' => (new Calculations())->rehearse($node),
            in_array($schema, Calculations::NAMES, true) => (new Calculations())->calc($schema, $node),
            default => self::read($schema, $node),
        };
    }
}

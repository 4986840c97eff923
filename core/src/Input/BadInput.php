<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/**
 * Input that cannot be computed with; carries the JSON Pointer (RFC 6901) of the first bad value.
 *
 * A missing or unknown key is named by its own path, input that is no JSON by "".
 */
final class BadInput extends \InvalidArgumentException
{
    public function __construct(public readonly string $path, string $message)
    {
        parent::__construct($message);
    }

    public static function missing(string $path): self
    {
        return new self($path, 'This key is required and is not there.');
    }

    public static function unknown(string $path): self
    {
        return new self($path, 'This key is not known here. A misspelt setting must not be ignored.');
    }

    /** @return array{error: array{path: string, message: string}} */
    public function toArray(): array
    {
        return ['error' => ['path' => $this->path, 'message' => $this->getMessage()]];
    }
}

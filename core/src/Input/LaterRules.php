<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/** Rules between fields: they are judged when every single field of the whole input has been read. Rule: docs/rules.md#conventions. */
final class LaterRules
{
    /** @var list<\Closure(): void> */
    private array $rules = [];

    /** @param \Closure(): void $rule throws BadInput */
    public function add(\Closure $rule): void
    {
        $this->rules[] = $rule;
    }

    /** @throws BadInput of the first rule that is broken */
    public function check(): void
    {
        foreach ($this->rules as $rule) {
            $rule();
        }
    }
}

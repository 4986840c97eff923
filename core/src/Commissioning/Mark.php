<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

final readonly class Mark
{
    public function __construct(public MarkEvent $event, public int $atMs, public ?string $id = null, public bool $isUndone = false) {}
}

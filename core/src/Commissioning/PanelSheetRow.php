<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

/** One figure of the sheet beside what the panel does. */
final readonly class PanelSheetRow
{
    public function __construct(public string $what, public string $sheet, public string $panel, public bool $agrees) {}

    public function sentence(): string
    {
        return "$this->what: the sheet says $this->sheet, the circuit $this->panel.";
    }
}

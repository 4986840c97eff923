<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

/** Where a device sits, what its coil takes, and which contacts it has. */
final readonly class PanelDevice
{
    /**
     * @param 'door'|'field'|'panel' $place
     * @param float                  $coilVa
     * @param ?int                   $no         of devices that have no changeover contacts
     * @param ?int                   $changeover of devices that have
     */
    public function __construct(public string $place, public float $coilVa, public ?int $no, public ?int $nc, public ?int $changeover) {}
}

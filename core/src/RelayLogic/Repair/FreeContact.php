<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Repair;

use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\Terminals\ContactTerminals;

/** A contact of a device that the circuit does not use yet, named as on the device where its others are. */
final readonly class FreeContact
{
    /** @return ?string such as 31-32; null where the device's contacts carry no numbers */
    public static function label(RelayCircuit $circuit, string $device, string $kind): ?string
    {
        $taken = [];
        foreach ($circuit->contacts() as $contact) {
            if ($contact->device === $device && $contact->label !== null) {
                $taken[(int) $contact->label[0]] = true;
            }
        }
        if ($taken === []) {
            return null;
        }
        [$first, $second] = ContactTerminals::digits($circuit->deviceById[$device]->type, $kind);
        $group = 1;
        while (isset($taken[$group])) {
            $group++;
        }

        return "$group$first-$group$second";
    }
}

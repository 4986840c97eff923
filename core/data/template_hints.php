<?php

declare(strict_types=1);

// What a technician should know of each installation type before the numbers. Rule: docs/rules.md#settings-templates.

return [
    'K1' => 'The transfer switch is the service disconnect: to test, the utility\'s own means upstream must open.',
    'K2' => 'Check the demand of the essential panel, not of the house, against the source.',
    'K3' => 'Two panels come on together: use delayed transition, and shed by panel.',
    'K4' =>
        'Portable generator: let it warm up and set the choke to run before load. 62 to 63 Hz and 130 V without load are normal, so '
            . 'the bands are wide. The return delay is short because somebody stands beside it.',
    'K5' =>
        'The relay prefers the generator and does not watch shore power: the 30 s delay is the only warm-up. With an inverter on '
            . 'the input no start is heard.',
    'K6' =>
        'The relay prefers the generator and does not watch shore power: the 30 s delay is the only warm-up. With an inverter on '
            . 'the input no start is heard.',
    'K7' => 'No engine: no cool-down and no exercise. Frequency is watched on both sources. Test phase by phase.',
    'K8' => 'Timers are often separate relays: write the scale of every dial beside its value. A capacitor bank is off on the generator.',
    'K9' =>
        'Motor-driven: travel takes 1 to 2 s, and the handle must lock it out. Critical sites are here: the long return delay and '
            . 'tests phase by phase matter most.',
    'K10' => 'The generator\'s own board may hold cool-down and warm-up: set one place, zero in the other.',
];

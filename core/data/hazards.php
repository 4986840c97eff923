<?php

declare(strict_types=1);

// What can kill, in the words that stand before a step: the same in a proof and on a service visit.

return [
    'lethal' => 'Lethal voltage. Only a qualified person, at guarded test points or on the controller\'s own display; covers on, '
        . 'nobody beside.',
    'starts' => 'It starts by itself within seconds: hands, hair and clothes away from belts, fan and exhaust.',
    'gas' => 'Carbon monoxide kills. The engine runs outdoors only, away from openings, with alarms inside.',
    'arc' => 'Arc flash and back-feed kill. Stand aside of the enclosure, covers on; nobody downstream or upstream is touching anything.',
    'dead' => 'Only what is locked, tagged and proved dead. The line side of a main stays live until it is opened upstream; the engine '
        . 'can start by itself until its battery is off.',
];

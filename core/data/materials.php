<?php

declare(strict_types=1);

// What can stand on the list of materials and tools: id => group, name, why. The id is what a tick hangs on; words may change.
// {size}, {metal}, {raceway}, {count} are filled in. A new thing is a row here and its line in MaterialsList.

return [
    'conductor' => ['material', 'Conductor {size}, {metal}', 'by the schedule, with its ends in the enclosures, a tenth more'],
    'grounding-conductor' => [
        'material',
        'Grounding conductor {size}, {metal}',
        'by the schedule, with its ends in the enclosures, a tenth more',
    ],
    'raceway' => ['material', '{raceway}, trade size {size}', 'by the schedule, a tenth more'],
    'connector' => ['material', '{connector}, trade size {size}', '{count} needed, a tenth more'],
    'bushing' => ['material', 'Insulating bushing, trade size {size}', '{count} needed, a tenth more'],
    'strain-relief' => ['material', 'Strain relief for the cords', '{count} needed, a tenth more'],
    'tape' => ['material', 'Tape, white, red and green', 'to mark conductors that come in black'],
    'labels' => ['material', 'Labels: source, disconnect, what stays energized', 'the next person reads them first'],
    'ground-bar' => ['material', 'Ground bar with screws', '{count} grounds change bars'],
    'ferrules' => ['material', 'Ferrules or forks', 'both ends of each control conductor'],
    'joint-compound' => ['material', 'Joint compound for aluminum', 'where the maker of the lug asks for it'],
    'duct-seal' => ['material', 'Duct seal', 'openings to outdoors and up from the ground'],
    'locks' => [
        'tool',
        'Locks, tags and hasp',
        '{count} counted: one for each source that is isolated here, each start battery and store of energy, and one for another '
            . 'person; the utility brings its own',
    ],
    'cutter' => ['tool', 'Cable cutter and stripper', 'for the largest size of the schedule'],
    'knock-out' => ['tool', 'Knock-out set', 'for the trade sizes of the entries'],
    'fish-tape' => ['tool', 'Fish tape and pulling soap', ''],
    'paint-marker' => ['tool', 'Paint marker', 'a witness mark on each lug'],
    'hexagon-bit' => ['tool', 'Hexagon bit {size} in', 'for the lugs of the terminations list'],
    'arc-clothing' => ['protection', 'Arc-rated clothing and face shield', 'by the arc-flash label, else by the rules of the site'],
    'gloves' => ['protection', 'Voltage-rated gloves with leather protectors', 'within their test date'],
    'eye-hearing' => ['protection', 'Eye and hearing protection', 'at engine and battery, and in dust'],
    'co-meter' => ['protection', 'Carbon-monoxide meter, worn', 'carbon monoxide has no smell'],
    'extinguisher' => ['protection', 'Fire extinguisher', 'at the machine'],
    'insulated-tools' => ['protection', 'Insulated tools', 'in every enclosure, dead or not'],
    'low-ohm-meter' => ['gear', 'Low-resistance ohmmeter', 'contacts of the switch, dead'],
    'voltage-tester' => ['gear', 'Voltage tester and proving unit', 'proved before and after each proof of dead'],
    'torque-tool' => ['gear', 'Torque tool', 'every lug, to the maker\'s value'],
    'multimeter' => ['gear', 'Multimeter', 'voltage and frequency on each leg'],
    'clamp-meter' => ['gear', 'Clamp meter', 'what each leg carries on each source'],
    'insulation-tester' => ['gear', 'Insulation tester', 'feeders, before they are energized'],
    'phase-loss-set' => [
        'gear', 'Spare fuses and a test link, or an injection set', 'each phase is lost in turn, never at a live terminal',
    ],
    'rotation-meter' => ['gear', 'Phase rotation meter', 'both sources have the same rotation'],
    'manometer' => ['gear', 'Manometer', 'gas pressure at rest and under load'],
    'phone' => ['gear', 'Phone, charged: the stopwatch', 'with this site opened once while there is a network'],
    'instructions' => ['form', 'Maker\'s instructions of switch and source', 'they come before any list'],
    'permit' => ['form', 'Permit and the code edition in force', 'the authority says what it wants to see'],
    'hour-agreed' => ['form', 'The hour agreed with the utility or the owner upstream', 'the line side stays energized until they open'],
    'owner-told' => ['form', 'The owner knows when power is off', 'and who depends on medical equipment'],
    'paper' => ['form', 'Settings sheet and plan, printed', 'paper needs no battery'],
];

<?php

declare(strict_types=1);

// What a survey asks beside the plate data of switch and generator. Rule: field notes S1–S8, P5, P6, P12. Lengths in metres.

use Escapement\Core\Survey\Decision;
use Escapement\Core\Survey\Question;
use Escapement\Core\Survey\Subject;

$yesNo = ['yes' => 'yes', 'no' => 'no'];
$houses = 'K1 K2 K3 K4 K10';
$fixed = 'K1 K2 K3 K10';
$mobile = 'K5 K6';
$three = 'K7 K8 K9';
$engine = 'K1 K2 K3 K4 K5 K6 K8 K9 K10';
$gas = ['yes' => 'yes', 'no' => 'no', 'none' => 'no gas here'];

return [
    new Question('meter', Subject::Service, 'Meter arrangement', Decision::OneLine, ['one' => 'meter, then one panel', 'two' => 'meter, then two panels', 'combined' => 'meter and main in one', 'several' => 'several meters'], kinds: $houses, usual: 'one'),
    new Question(
        'upstream',
        Subject::Service,
        'Who can open the supply upstream of the work',
        Decision::Day,
        [
            'utility' => 'only the utility', 'disconnect' => 'a disconnect ahead of it, on site',
            'combined' => 'the main beside the meter', 'owner' => 'another owner',
        ],
        hint: 'It is opened and tagged first; without an answer nothing behind a cover is planned',
        kinds: "$houses $three",
    ),
    new Question(
        'upstream_second',
        Subject::Service,
        'Who can open the second supply upstream',
        Decision::Day,
        ['utility' => 'only the utility', 'disconnect' => 'a disconnect ahead of it, on site', 'owner' => 'another owner'],
        kinds: 'K7',
    ),
    new Question(
        'phase_order',
        Subject::Service,
        'Phase order of the first supply',
        Decision::Commission,
        ['right' => 'L1 L2 L3, by an instrument', 'reversed' => 'reversed'],
        hint: 'Measured by a qualified person, on the load side, covers on',
        kinds: $three,
    ),
    new Question(
        'phase_order_second',
        Subject::Service,
        'Phase order of the second supply',
        Decision::Commission,
        ['right' => 'L1 L2 L3, by an instrument', 'reversed' => 'reversed'],
        kinds: 'K7',
    ),
    new Question(
        'inspection',
        Subject::Service,
        'Inspection before the supply closes',
        Decision::Day,
        ['yes' => 'asked for', 'no' => 'not asked for'],
        hint: 'Ask the authority; the release is a hold point',
        kinds: "$houses $three",
    ),
    new Question(
        'electrode',
        Subject::Service,
        'Grounding electrode conductor lands in',
        Decision::OneLine,
        ['panel' => 'the panel', 'disconnect' => 'the service disconnect', 'meter' => 'the meter enclosure'],
        hint: 'Seen, not guessed',
        kinds: 'K1 K3 K10',
    ),
    new Question('service_metal', Subject::Service, 'Metal of the service cable', Decision::Wires, ['al' => 'aluminium', 'cu' => 'copper'], kinds: $houses, usual: 'al'),
    new Question('line_conductors', Subject::Service, 'Line conductors, neutral counted', Decision::Wires, min: 2, max: 24, hint: 'Two panels on one meter: often six. Count them at the meter\'s load side', kinds: $houses, usual: '3'),
    new Question('slack_m', Subject::Service, 'Slack in the service cable', Decision::Wires, unit: 'm', min: 0, max: 50, hint: '0 when it must be spliced or pulled anew', kinds: $houses, usual: '0'),
    new Question('cord_m', Subject::Service, 'Length of the shore cord', Decision::Wires, unit: 'm', min: 0.3, max: 150, kinds: $mobile),
    new Question('cord_size', Subject::Service, 'Size of the shore cord', Decision::Wires, ['12' => '12', '10' => '10', '8' => '8', '6' => '6', '4' => '4'], hint: 'Copper; printed on the jacket', kinds: $mobile),
    new Question('cord_end', Subject::Service, 'Cord end and inlet blades', Decision::Commission, ['good' => 'clean and tight', 'loose' => 'loose', 'hot' => 'discoloured or melted'], kinds: $mobile),
    new Question('bus_a', Subject::Panels, 'Bus rating of the panel', Decision::OneLine, unit: 'A', min: 20, max: 1200, hint: 'On the label, not on the main breaker', kinds: $houses),
    new Question('free_spaces', Subject::Panels, 'Free breaker spaces', Decision::OneLine, min: 0, max: 84, kinds: $houses, usual: '0'),
    new Question(
        'multiwire',
        Subject::Panels,
        'Two hots sharing a neutral',
        Decision::OneLine,
        $yesNo,
        hint: 'They must keep both legs and one handle; on a single-leg source they overload the neutral',
        kinds: "$houses K6",
        usual: 'yes',
    ),
    new Question('branch_metal', Subject::Panels, 'Branch conductors', Decision::Wires, ['cu' => 'copper', 'al' => 'aluminium', 'brittle' => 'old, brittle'], kinds: $houses, usual: 'cu'),
    new Question('converter_circuit', Subject::Panels, 'Charger on a breaker of its own', Decision::Carry, $yesNo, hint: 'It must be off while an inverter feeds, or the energy runs in a circle', kinds: $mobile),
    new Question(
        'co_alarms',
        Subject::Place,
        'Carbon monoxide alarms inside',
        Decision::Commission,
        ['yes' => 'tested today', 'old' => 'there, not tested', 'no' => 'none'],
        kinds: $engine,
    ),
    new Question(
        'opening_m',
        Subject::Place,
        'Generator to the nearest opening',
        Decision::Commission,
        unit: 'm',
        min: 0,
        max: 200,
        hint: 'Window, door, vent, also the neighbour\'s',
        kinds: $engine,
    ),
    new Question(
        'opening_least_m',
        Subject::Place,
        'Distance its instructions and the code ask for',
        null,
        unit: 'm',
        min: 0.3,
        max: 50,
        hint: 'Without it 1.5 m (5 ft) is judged with, to be confirmed',
        kinds: $engine,
    ),
    new Question('clearance', Subject::Place, 'Working space in front of the switch', Decision::Day, $yesNo, kinds: "$houses $three"),
    new Question(
        'box_place',
        Subject::Place,
        'Place of the switch',
        Decision::Wires,
        ['indoors' => 'indoors, dry', 'outdoors' => 'outdoors, rated for it', 'wet' => 'outdoors, not rated'],
        kinds: "$houses $three",
    ),
    new Question('entries', Subject::Place, 'Entries of the switch', Decision::Wires, ['one_end' => 'all at one end', 'both_ends' => 'in at one end, out at the other'], hint: 'Choose how it hangs before the cable is cut', kinds: $fixed, usual: 'one_end'),
    new Question('wall', Subject::Place, 'Wall it hangs on', null, ['finished' => 'finished', 'open' => 'siding to come'], kinds: $fixed),
    new Question('flood', Subject::Place, 'Water or snow can reach the generator', null, $yesNo, kinds: $fixed),
    new Question('ventilated', Subject::Place, 'Battery and generator bays vented to outside', Decision::Commission, $yesNo, kinds: $mobile),
    new Question('regulators', Subject::Source, 'Own regulator for the generator', Decision::Carry, $gas, hint: 'On a shared one, house and generator starve each other', kinds: $fixed),
    new Question('flexible', Subject::Source, 'Flexible connector at the machine', Decision::Commission, $gas, hint: 'It shakes, and the ground heaves', kinds: $fixed),
    new Question('static_inwc', Subject::Source, 'Gas pressure at rest', Decision::Commission, unit: 'in wc', min: 0.1, max: 100, hint: 'At the machine\'s inlet', kinds: $fixed),
    new Question('loaded_inwc', Subject::Source, 'Gas pressure under full load', Decision::Commission, unit: 'in wc', min: 0, max: 100, hint: 'The house\'s own appliances running too', kinds: $fixed),
    new Question(
        'tank_gal',
        Subject::Source,
        'Tank',
        Decision::Carry,
        unit: 'gal',
        min: 0.5,
        max: 100000,
        hint: 'Water capacity; 0 is not a tank: leave it empty on piped gas',
        kinds: $engine,
    ),
    new Question('tank_pct', Subject::Source, 'Tank is filled to', null, unit: '%', min: 0, max: 100, kinds: $engine),
    new Question('selector', Subject::Source, 'Voltage selector of the portable', Decision::Commission, ['both' => '120/240 V', 'single' => '120 V only', 'none' => 'has none'], kinds: 'K4 K6'),
    new Question('outlet_gfci', Subject::Source, 'Ground-fault protection on its outlet', Decision::Commission, $yesNo, hint: 'It trips where neutral and ground meet twice', kinds: 'K4 K5 K6'),
];

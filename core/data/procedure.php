<?php

declare(strict_types=1);

// The steps of proving a transfer switch, in order within their stages. A row names the kinds of installation and plants
// it is for; a new kind is a name in these lists. Rule: commissioning §1, §4; field notes I1–I6, M1–M10, L5.
// Nothing here is a permission: the maker's instructions, the adopted code, the authority and a licensed electrician rule.

use Escapement\Core\Commissioning\Procedure\Per;
use Escapement\Core\Commissioning\Procedure\Stage;
use Escapement\Core\Commissioning\Procedure\StepKind;
use Escapement\Core\Commissioning\Procedure\StepRow;

$lethal = 'Lethal voltage. Only a qualified person, at guarded test points or on the controller\'s own display; covers on, nobody beside.';
$starts = 'It starts by itself within seconds: hands, hair and clothes away from belts, fan and exhaust.';
$gas = 'Carbon monoxide kills. The engine runs outdoors only, away from openings, with alarms inside.';
$arc = 'Arc flash and back-feed kill. Stand aside of the enclosure, covers on; nobody downstream or upstream is touching anything.';
$dead = 'Only what is locked, tagged and proved dead. The line side of a main stays live until it is opened upstream; the engine can start by itself until its battery is off.';
$upstream = 'Lethal voltage. The line side stays energized until the supply is open upstream; contact kills. Covers stay on until it is open, tagged and proved dead.';
$notMobile = 'K1 K2 K3 K4 K7 K8 K9 K10';
$houses = 'K1 K2 K3 K4 K10';
$mobile = 'K5 K6';
$three = 'K7 K8 K9';
$engine = 'standby mobile';
$fixed = 'standby two_source';

return [
    // Isolate
    new StepRow(Stage::Isolate, 'briefing', StepKind::Confirm, 'Say aloud what will happen', 'Whoever does not know that it starts by itself stands in the wrong place.', 'Everybody on site knows; the owner knows when it is dark and who depends on medical equipment.', 'Wait until they are there.', "$starts $gas", mayBeSkipped: false),
    new StepRow(Stage::Isolate, 'block-engine', StepKind::Confirm, 'Keep the engine from starting, as its maker says', 'A dead utility is exactly what starts it.', 'Selector off, start battery disconnected as the maker allows, tagged.', 'Do not go on: it will crank while hands are in it.', $starts, plants: $engine, mayBeSkipped: false),
    new StepRow(Stage::Isolate, 'cord-out', StepKind::Confirm, 'Shore cord out, and its end in sight', 'Somebody kind plugs it in again.', 'The plug hangs where you can see it, tagged.', 'Find who plugged it in.', 'Unplugged is not dead: batteries, inverter and generator remain.', kinds: $mobile, mayBeSkipped: false),
    new StepRow(Stage::Isolate, 'batteries-off', StepKind::Confirm, 'Battery switch off, inverter off', 'The inverter makes lethal voltage from twelve volts.', 'Both off and tagged; the inverter\'s display is dark.', 'Find the second battery bank.', 'Stored energy: batteries short with an arc, inverters hold their charge for minutes.', kinds: $mobile, mayBeSkipped: false),
    new StepRow(
        Stage::Isolate,
        'upstream',
        StepKind::Confirm,
        '{upstream}',
        'The line side of the work stays energized until the supply is open upstream of it. Nothing on the load side changes that.',
        '{upstream_expect}',
        'No cover is opened. Agree the hour, and wait.',
        $upstream,
        kinds: $notMobile,
        when: 'upstream',
        per: Per::Upstream,
        after: ['briefing', 'block-engine'],
        mayBeSkipped: false,
        asks: 'Who opened it, when, and the number of the tag.',
    ),
    new StepRow(
        Stage::Isolate,
        'open',
        StepKind::Confirm,
        '{open_it}',
        'It is upstream of the work: it is opened first, by a qualified person on site.',
        'Locked open; the tag names you and the time.',
        'Have the utility open upstream of it instead.',
        '{line}',
        when: 'isolators',
        per: Per::AheadIsolator,
        after: ['briefing', 'block-engine'],
        mayBeSkipped: false,
    ),
    new StepRow(
        Stage::Isolate,
        'line-side-dead',
        StepKind::Confirm,
        'Prove dead on the line side of {own}',
        'It is the part that no device of this installation can make dead.',
        'Tester proved on a known source, every pair and each to ground dead, tester proved again.',
        'Nothing is touched. It was another supply that was opened: find the one that feeds it.',
        $upstream,
        kinds: $notMobile,
        when: 'upstream',
        after: ['upstream*', 'open-md'],
        isHold: true,
    ),
    new StepRow(
        Stage::Isolate,
        'open',
        StepKind::Confirm,
        '{open_it}',
        'Each source that can reach the work is opened by its own device.',
        'Locked open; the tag names you and the time.',
        'Open the one upstream of it instead.',
        '{line}',
        when: 'isolators',
        per: Per::Isolator,
        after: ['line-side-dead'],
        mayBeSkipped: false,
    ),
    new StepRow(Stage::Isolate, 'open-all', StepKind::Confirm, 'Open, lock and tag every source upstream of the switch', 'Each source that can reach the work is opened by its own device.', 'All locked open; the tags name you and the time.', 'Find the source that was forgotten.', 'The line side of a main stays live until it is opened upstream of it.', when: 'no_isolators', mayBeSkipped: false),
    new StepRow(Stage::Isolate, 'stored-energy', StepKind::Confirm, 'Wait out what stores energy', 'Capacitors, drives and uninterruptible supplies stay charged.', 'The maker\'s waiting time has passed, and they are proved discharged.', 'Wait longer; ask their makers.', 'Stored energy in capacitors and batteries.', kinds: 'K6 K8 K9', mayBeSkipped: false),
    new StepRow(
        Stage::Isolate,
        'proved-dead',
        StepKind::Confirm,
        'Prove dead',
        'Locked is not dead: only a tester tells.',
        'Tester proved on a known source, every pair and each to ground dead, tester proved again.',
        'Nothing is touched. Find what feeds it.',
        'Treat it as live until it is proved dead.',
        after: ['briefing', 'block-engine', 'cord-out', 'batteries-off', 'upstream*', 'line-side-dead', 'open*', 'stored-energy'],
        isHold: true,
    ),

    // Install
    new StepRow(Stage::Install, 'before', StepKind::Photo, 'Picture of {place} as it was found', 'No picture was taken before the job: then nobody knows what was moved.', 'Bars, bonds and labels in the picture.', 'Take it again before anything is moved.', $dead, when: 'install_photos', per: Per::MovePlace),
    new StepRow(Stage::Install, 'bond', StepKind::Confirm, '{move}', '{move_why}', 'Done, and nothing else was moved with it.', 'Stop, and look at the plan of the bonds.', $dead, when: 'install', per: Per::Move, after: ['before-{place_id}']),
    new StepRow(
        Stage::Install,
        'bonds-not-known',
        StepKind::Confirm,
        'Look at the bonds before anything is landed',
        'A bond too many puts neutral current on metal that people touch; one too few leaves a fault without a return path.',
        'Each bond is looked at and entered on the Plan page, and the run follows the plan.',
        'Stop. No bond is moved on a guess.',
        $dead,
        when: 'bonds_unknown',
        mayBeSkipped: false,
    ),
    new StepRow(Stage::Install, 'after', StepKind::Photo, 'Picture of {place} with its bonds moved', 'The inspector sees behind the cover without opening it.', 'The same view as before.', 'Take it again.', $dead, when: 'install_photos', per: Per::MovePlace, after: ['bond-*']),
    new StepRow(Stage::Install, 'pull', StepKind::Confirm, 'Pull {run}', 'Laid out before the box is fixed, nothing is too short.', '{entries}', 'Not by force: a nick in the insulation shows at the bang.', $dead, when: 'install', per: Per::Feeder),
    new StepRow(Stage::Install, 'land', StepKind::Confirm, 'Land the conductors in {enclosure}', 'What lies deepest goes first, or the cover will not close.', '{order}', 'Stop, and look at the landing list.', $dead, when: 'install', per: Per::Enclosure, after: ['pull-*']),
    new StepRow(Stage::Install, 'torque-tool', StepKind::Confirm, 'The torque tool, and its calibration', 'Out of calibration it clicks at anything.', '{tool}', 'Take one that is within its calibration.', when: 'install', mayBeSkipped: false, asks: 'Number of the tool, and until when it is calibrated.'),
    new StepRow(Stage::Install, 'torque', StepKind::Measure, '{enclosure}: {lug}', 'A loose lug is a fire that waits for load. {by} Size {size}, {screw}.', '', 'Too low: torque it again. Too high: inspect strands and lug, renew them as the maker says; do not just back off.', $dead, when: 'install', per: Per::Lug, instrument: 'torque tool', after: ['land-{enclosure_id}', 'torque-tool'], tick: 'Witness mark drawn across screw and lug'),
    new StepRow(Stage::Install, 'controls', StepKind::Confirm, 'Control conductors with ferrules or forks, by the maker\'s diagram', 'Stranded ends spread under a screw and touch their neighbour.', 'Each end crimped, none on the ground bar; bare grounds there alone, others taped green.', 'Crimp it again.', $dead, plants: 'standby', when: 'install'),
    new StepRow(Stage::Install, 'close', StepKind::Confirm, 'Bushings, clamps, seals and barriers in {enclosure}', 'What pulls on a lug loosens it; what is open lets water and animals in.', 'Bushed where it has to be, clamped so that nothing pulls, openings sealed, barriers back.', 'Put it right while it is dead.', $dead, when: 'install', per: Per::Enclosure, after: ['land-{enclosure_id}', 'torque-{enclosure_id}-*']),
    new StepRow(
        Stage::Install,
        'done',
        StepKind::Confirm,
        'Nothing of the installation is left open',
        'What is forgotten now is energised later.',
        'Pulled, landed, torqued, marked and closed, or its reason is written.',
        'Go back to what is open.',
        after: ['before*', 'bond*', 'bonds-not-known', 'after*', 'pull*', 'land*', 'torque*', 'controls', 'close*'],
        when: 'install',
        isHold: true,
    ),

    // Inspect
    new StepRow(Stage::Inspect, 'placement', StepKind::Confirm, 'Exhaust, alarms and clearances', 'Carbon monoxide is not smelt.', 'Exhaust away from openings as the instructions ask; alarms inside, tested today.', 'The engine does not run.', $gas, plants: $engine, mayBeSkipped: false),
    new StepRow(Stage::Inspect, 'landing', StepKind::Confirm, 'Each conductor on its terminal by the landing list', 'Two legs on one lug are a dead short.', 'As on the list, each identified by test; bare grounds on the ground bar.', 'Stop, and land it again by the list.'),
    new StepRow(Stage::Inspect, 'same-leg', StepKind::Confirm, 'Both conductors of a leg at the same lug', 'On a service of two panels mixed legs short both.', 'Doubled conductors of one leg together, proved by test.', 'Do not energise.', kinds: 'K3', mayBeSkipped: false),
    new StepRow(Stage::Inspect, 'torque', StepKind::Confirm, 'Each lug at its torque, with its witness mark', 'A loose lug is a fire that waits for load.', 'All of the torque list accepted, the tool within its calibration.', 'Torque it now, to the maker\'s value.', when: 'no_install'),
    new StepRow(Stage::Inspect, 'bonds', StepKind::Confirm, 'Bonds where the plan has them', 'Two bonds put neutral current on metal that people touch; none leaves a fault without a way back.', 'Ohmmeter, all dead: exactly one path from neutral to ground in each position of the switch.', 'Find the second one, or fit the missing one. Nothing is energised before.', isHold: true),
    new StepRow(Stage::Inspect, 'control-wires', StepKind::Confirm, 'Control conductors by the maker\'s diagram', 'Crossed, the engine never starts, or never stops.', 'Start pair on its two terminals, ferruled; charge and sense conductors fused.', 'Land them by the diagram.', plants: 'standby'),
    new StepRow(Stage::Inspect, 'start-contact', StepKind::Choose, 'Kind of start contact', 'A contact that opens where it should close starts the engine with the utility present.', 'closes when the utility has dropped', 'Use the other contact of the pair.', plants: 'standby', choices: ['closes when the utility has dropped', 'opens when the utility has dropped', 'not known']),
    new StepRow(Stage::Inspect, 'option-jumpers', StepKind::Confirm, 'Option jumpers as the maker\'s table', 'They change what the control signal means.', 'Each option read from the table and written down.', 'Set it; start again at the table.', kinds: 'K10'),
    new StepRow(Stage::Inspect, 'interlock', StepKind::Confirm, 'Interlocks, by hand and dead', 'Two sources must never meet.', 'Mechanically only one side closes; electrically each coil is broken by the other\'s normally-closed contact.', 'Do not energise.', kinds: $three, mayBeSkipped: false),
    new StepRow(Stage::Inspect, 'capacitors-off', StepKind::Confirm, 'Capacitor bank off on the generator', 'A generator with more capacitors than load drives its own voltage up.', 'Its steps are broken by the switch when the load is on the generator.', 'Wire the contact before the generator takes load.', 'Capacitors stay charged: wait, then prove them dead.', kinds: 'K9'),
    new StepRow(Stage::Inspect, 'outlet-protection', StepKind::Choose, 'Outlet that feeds the box', 'Ground-fault protection trips where neutral and ground meet twice.', 'the outlet its instructions name', 'Use the outlet that the box\'s instructions name; move the bond only as they say.', kinds: 'K4 K6', choices: ['the outlet its instructions name', 'another one']),
    new StepRow(Stage::Inspect, 'voltage-selector', StepKind::Choose, 'Voltage selector of the portable', 'On 120 V only one leg comes, or both from one.', '120/240 V, or it has none', 'Set it before the first transfer.', kinds: 'K4 K6', choices: ['120/240 V, or it has none', '120 V only']),
    new StepRow(Stage::Inspect, 'converter-off', StepKind::Confirm, 'Charger off on inverter power', 'A battery that feeds its own charger loses what goes around.', 'Its breaker is off, or it is shed by itself.', 'Put it on the shed list.', kinds: $mobile),
    new StepRow(Stage::Inspect, 'cord-ends', StepKind::Confirm, 'Cord ends, blades and strain reliefs', 'A loose or hot contact is a fire.', 'Clean, tight, no melted plastic; nothing pulls on a lug.', 'Renew the cord end before anything else.', kinds: 'K4 K5 K6'),
    new StepRow(Stage::Inspect, 'fluids', StepKind::Confirm, 'Oil, coolant, fuel, leaks', 'The first minute without oil is the last.', 'At their marks, nothing drips.', 'Fill up as the maker says.', plants: $engine),
    new StepRow(Stage::Inspect, 'battery-rest', StepKind::Measure, 'Start battery at rest', 'Most failures to start are the battery.', '', 'Charge it, load-test it, or renew it; look whether the charger is fed.', plants: $engine, band: 'battery_rest', instrument: 'multimeter'),
    new StepRow(Stage::Inspect, 'gas-connection', StepKind::Confirm, 'Gas: flexible connector, own regulator, no leak', 'The machine shakes and the ground heaves.', 'Flexible connector listed for it; soap shows no bubble.', 'Shut the gas off.', 'Gas burns and explodes: no flame, no switch nearby.', plants: $engine, when: 'gas', mayBeSkipped: false),
    new StepRow(Stage::Inspect, 'photo-open', StepKind::Photo, 'Picture of each enclosure before its cover goes on', 'The next one sees what is behind it without opening it.', 'Every lug and its mark in the picture.', 'Take it again.', when: 'photos'),

    // Checks while dead
    new StepRow(Stage::DeadChecks, 'insulation', StepKind::Measure, 'Insulation of the feeders, {leg} to ground', 'A nicked conductor shows here, not at the bang.', '', 'Find the nick; loads and electronics off the feeder first.', 'The tester makes 500 V: electronics disconnected, nobody at the other end.', plants: $fixed, per: Per::Leg, band: 'insulation', instrument: 'insulation tester'),
    new StepRow(Stage::DeadChecks, 'no-short', StepKind::Confirm, 'No path between legs, or from a leg to neutral', 'Crossed legs short the moment they are energised.', 'Ohmmeter: open between every pair, loads off.', 'Find the crossed pair.', when: 'two_legs'),
    new StepRow(Stage::DeadChecks, 'covers', StepKind::Confirm, 'Dead fronts and barriers on, tools counted', 'What comes next is live.', 'Every cover on with its screws; every tool back.', 'Nothing is energised with a cover off.', mayBeSkipped: false),

    // Energise
    new StepRow(
        Stage::Energise,
        'release',
        StepKind::Confirm,
        'Inspection release before the supply closes',
        'What is energized without its release may have to be opened again, and nobody else has looked at it.',
        '{release}',
        'The supply stays open. Call the authority.',
        kinds: $notMobile,
        when: 'release',
        isHold: true,
        asks: 'Who released it, and when.',
    ),
    new StepRow(
        Stage::Energise,
        'close-utility',
        StepKind::Confirm,
        'Take the locks off and close the side of the {first_small}',
        'First one source alone.',
        'Only those who put locks on take them off; the switch stays on this side.',
        'Open again at once when it hums, smells or trips.',
        $arc,
        after: ['release'],
    ),
    new StepRow(Stage::Energise, 'utility-volts', StepKind::Measure, '{first}, {leg} to neutral', 'What the controller is told must be what is there.', '', 'Call the utility; a high leg and a low one mean a lost neutral.', $lethal, per: Per::Leg, band: 'utility_v', instrument: 'multimeter'),
    new StepRow(Stage::Energise, 'utility-line-volts', StepKind::Measure, '{first}, line to line', 'Both legs from the same phase read zero here.', '', 'Open again: the legs are one and the same.', $lethal, when: 'two_legs', band: 'utility_line_v', instrument: 'multimeter'),
    new StepRow(Stage::Energise, 'utility-hz', StepKind::Measure, '{first}, frequency', 'It is what the generator is compared with.', '', 'Another instrument first, then the utility.', $lethal, band: 'utility_hz', instrument: 'multimeter'),
    new StepRow(Stage::Energise, 'utility-rotation', StepKind::Choose, '{first}, phase order', 'Reversed, every motor runs backwards.', 'as the motors are wired', 'Do not go on; an electrician swaps two phases, dead.', $lethal, when: 'three_phase', choices: ['as the motors are wired', 'reversed', 'not shown']),
    new StepRow(Stage::Energise, 'neutral-ground', StepKind::Measure, 'Neutral to ground', 'A high reading is a lost neutral or a second bond.', '', 'Look for the loose neutral before any load is connected.', $lethal, band: 'neutral_ground', instrument: 'multimeter'),
    new StepRow(Stage::Energise, 'controller-sees', StepKind::Confirm, 'The controller shows the {first_small} as good', 'It acts on what it sees, not on what is there.', 'Its figures agree with the meter.', 'Set its sensing, or find the blown sensing fuse.', plants: $fixed),
    new StepRow(Stage::Energise, 'charger-live', StepKind::Confirm, 'The battery charger is fed', 'A dead accessory circuit is a dead battery next month.', 'Its lamp is on, the battery voltage rises.', 'Close and mark its breaker.', plants: 'standby'),

    // Run without load
    new StepRow(Stage::NoLoadRun, 'start', StepKind::Confirm, 'Let it start, unloaded', 'First without load, one source alone.', 'It fires within its cranks, runs evenly, nothing leaks.', 'Stop it by its own button; do not crank on.', "$starts $gas Hot exhaust.", plants: $engine),
    new StepRow(Stage::NoLoadRun, 'battery-crank', StepKind::Measure, 'Battery, lowest while cranking', 'A battery that rests well may still fold.', '', 'Renew it, or clean its terminals.', $starts, plants: $engine, band: 'battery_crank', instrument: 'multimeter', after: ['start']),
    new StepRow(Stage::NoLoadRun, 'gas-pressure', StepKind::Confirm, 'Gas pressure at rest and running', 'What sags without load starves with it.', 'Inside the maker\'s limits, the house\'s own burners on.', 'Larger pipe or regulator; not the governor.', 'Gas burns and explodes.', plants: $engine, when: 'gas', after: ['start']),
    new StepRow(Stage::NoLoadRun, 'second-volts', StepKind::Confirm, 'Close the second supply up to the switch', 'One source after the other.', 'The switch stays on the first supply.', 'Open again.', $arc, plants: 'two_source'),
    new StepRow(Stage::NoLoadRun, 'generator-volts', StepKind::Measure, '{second}, {leg} to neutral', 'Out of band it burns what it feeds.', '', 'Nothing is transferred. Voltage regulator, selector, neutral.', $lethal, per: Per::Leg, band: 'generator_v', instrument: 'multimeter', after: ['start', 'second-volts'], isHold: true),
    new StepRow(Stage::NoLoadRun, 'generator-line-volts', StepKind::Measure, '{second}, line to line', 'Two legs in phase read zero here.', '', 'Nothing is transferred.', $lethal, when: 'two_legs', band: 'generator_line_v', instrument: 'multimeter', after: ['start', 'second-volts']),
    new StepRow(Stage::NoLoadRun, 'generator-hz', StepKind::Measure, 'Generator, frequency without load', 'Electronics forgive volts before hertz.', '', 'Governor, as the maker says.', $lethal, plants: $engine, band: 'generator_hz_no_load', instrument: 'multimeter', after: ['start']),
    new StepRow(Stage::NoLoadRun, 'generator-rotation', StepKind::Choose, '{second}, phase order', 'Reversed against the first, motors run backwards after the transfer.', 'the same as the first source', 'Nothing is transferred; an electrician swaps two phases, dead.', $lethal, when: 'three_phase', after: ['start', 'second-volts'], choices: ['the same as the first source', 'reversed', 'not shown'], isHold: true),
    new StepRow(Stage::NoLoadRun, 'stop', StepKind::Confirm, 'Stop it, selector back to automatic', 'What comes next starts it as a storm would.', 'It stops, the selector is in automatic, its breaker is closed.', 'A selector left off is the usual reason for a dark house.', $starts, plants: 'standby', after: ['start']),

    // Simulated outage
    new StepRow(Stage::SimulatedOutage, 'ready', StepKind::Confirm, 'Sensitive things are shut down or on their own supply', 'The load goes dark for as long as it takes.', 'Computers saved, medical equipment on its own battery, lifts empty.', 'Wait.', 'Somebody may depend on it to breathe.', mayBeSkipped: false),
    new StepRow(
        Stage::SimulatedOutage,
        'open',
        StepKind::Confirm,
        '{open_test}',
        'It must lie upstream of where the switch senses: the panel main downstream proves nothing.',
        'The controller loses the utility at once.',
        'Close again: it was another circuit.',
        "$starts Its line side stays live.",
        plants: $fixed,
        mayBeSkipped: false,
    ),
    new StepRow(Stage::SimulatedOutage, 'start-generator', StepKind::Confirm, 'Start the generator', 'The relay prefers it as soon as it is good.', 'It starts and settles.', 'Stop it by its own button.', "$starts $gas", plants: 'mobile'),
    new StepRow(Stage::SimulatedOutage, 'time-start-signal', StepKind::Time, 'Loss to start signal', 'Drop-out and start delay together.', '', 'Start delay, drop-out delay, or another circuit is sensed.', $starts, plants: 'standby', band: 'start_signal', instrument: 'stopwatch', after: ['open']),
    new StepRow(Stage::SimulatedOutage, 'time-engine-running', StepKind::Time, 'Start signal to a good generator', 'Cranks, run-up, pick-up.', '', 'Fuel, choke, battery, governor; an emergency pick-up set too high.', $starts, plants: $engine, band: 'engine_running', instrument: 'stopwatch', after: ['open', 'start-generator']),
    new StepRow(Stage::SimulatedOutage, 'time-transfer', StepKind::Time, 'Loss to transfer', 'How long the load is without.', '', 'Transfer delay, emergency pick-up, generator breaker, selector, mechanism.', $arc, band: 'transfer', instrument: 'stopwatch', after: ['open', 'start-generator']),

    new StepRow(
        Stage::SimulatedOutage,
        'phase-loss',
        StepKind::Confirm,
        'Lose {phase}',
        'A controller that watches one phase only never sees the other two go: motors burn on what is left.',
        '{phase_expect}',
        'Sensing is set or wired for fewer phases than there are.',
        "$arc Only by a fuse drawn from a fused switch that is open, a pole of the sensing fuse, or an injection set: never by lifting a live terminal.",
        kinds: $three,
        per: Per::PhaseOfSource,
        after: ['open'],
    ),

    // On load
    new StepRow(Stage::OnLoadChecks, 'generator-volts', StepKind::Measure, '{second} on load, {leg} to neutral', 'Load pulls a weak machine down.', '', 'Shed load first, then look at regulator and neutral.', $lethal, per: Per::Leg, band: 'generator_v', instrument: 'multimeter'),
    new StepRow(Stage::OnLoadChecks, 'amps', StepKind::Measure, 'Current on {leg}', 'The fuller leg trips first.', '', 'Move circuits between the legs, or shed.', $lethal, per: Per::Leg, band: 'amps', instrument: 'clamp meter'),
    new StepRow(Stage::OnLoadChecks, 'generator-hz', StepKind::Measure, 'Frequency on load', 'It shows the governor at work.', '', 'Governor, fuel, or too much load.', $lethal, plants: $engine, band: 'generator_hz', instrument: 'multimeter'),
    new StepRow(Stage::OnLoadChecks, 'unbalance', StepKind::Measure, 'Unbalance of the voltages', 'A few percent cook a motor.', '', 'Motors off; find the uneven load or the bad phase.', $lethal, when: 'three_phase', band: 'unbalance', instrument: 'multimeter'),
    new StepRow(Stage::OnLoadChecks, 'neutral-ground', StepKind::Measure, 'Neutral to ground on load', 'A loose neutral shows only with current in it.', '', 'Off again, and tighten dead.', $lethal, band: 'neutral_ground', instrument: 'multimeter'),
    new StepRow(Stage::OnLoadChecks, 'contact-drop', StepKind::Measure, 'Drop over the closed contact of {leg}', 'A worn contact heats before it fails.', '', 'Maintain it dead, as its maker says.', $lethal, kinds: "$mobile $three", per: Per::Leg, band: 'contact_drop', instrument: 'multimeter'),
    new StepRow(Stage::OnLoadChecks, 'contact-drop', StepKind::Measure, 'Drop over the closed contact of {leg}, at test points outside of the covers', 'A worn contact heats before it fails.', '', 'Maintain it dead, as its maker says.', "$lethal Where there are no such points it is not measured.", kinds: $houses, when: 'contact_drop', per: Per::Leg, band: 'contact_drop', instrument: 'multimeter'),
    new StepRow(Stage::OnLoadChecks, 'alive', StepKind::Confirm, '{load} is alive', 'A lamp on the switch is no light in the house.', 'It runs and shows no fault.', 'Its circuit is on the wrong side, or it sulks at a blink: a supply of its own.', per: Per::MustRun),
    new StepRow(Stage::OnLoadChecks, 'sulking', StepKind::Confirm, 'Walk the building: alarm, network, computers', 'Electronics sulk after a blink, and nobody looks.', 'Everything that must run runs; uninterruptible supplies are back on line.', 'Note each; an uninterruptible supply of its own, sized for a generator.'),
    new StepRow(Stage::OnLoadChecks, 'surge-lamps', StepKind::Confirm, 'Lamps of the surge arrester', 'It may have given its life in the last storm.', 'Lit as its maker says.', 'Renew it.', kinds: "$houses $three"),
    new StepRow(Stage::OnLoadChecks, 'shedding', StepKind::Confirm, 'Shed loads come back in their order', 'All at once stalls the engine.', 'One after the other, the compressor after its lock-out.', 'Look at priorities and steps on the sheet.', when: 'shedding'),
    new StepRow(Stage::OnLoadChecks, 'load-bank', StepKind::Measure, 'Load bank at {pct} %: deepest voltage', 'A run with the building\'s load proves today; the bank proves the nameplate.', '', 'Step back, let it recover, read the maker\'s limit.', 'Hot air and hot resistors; cables across paths.', plants: $engine, when: 'load_bank', per: Per::Quarter, band: 'dip', instrument: 'load bank'),

    // Bait
    new StepRow(Stage::BaitTest, 'bait', StepKind::Time, 'Utility back, and away again', 'A line crew\'s on-off-on must not bounce the load: the best single test of judgement.', '', 'Return delay shorter than on the sheet, or bypassed.', $arc, plants: $fixed, when: 'bait', band: 'bait', instrument: 'stopwatch'),
    new StepRow(Stage::BaitTest, 'stayed', StepKind::Confirm, 'The load stayed on the second source', 'It must not trust a supply that has not proved itself.', 'No movement while the utility was back for less than {return}.', 'The return delay is not what the sheet says.', plants: $fixed, when: 'bait', after: ['bait'], mayBeSkipped: false),

    // Return
    new StepRow(
        Stage::Return_,
        'close',
        StepKind::Confirm,
        '{close_test}',
        'The utility is back.',
        'The controller sees it at once and waits.',
        'Look at its sensing.',
        $arc,
        plants: $fixed,
    ),
    new StepRow(Stage::Return_, 'stop-generator', StepKind::Confirm, 'Stop the generator', 'The relay falls back to shore power or inverter.', 'It stops, the load is back.', 'The relay hangs: off, and look dead.', $starts, plants: 'mobile'),
    new StepRow(Stage::Return_, 'time-return', StepKind::Time, 'Back to return', 'The utility has proved itself for the return delay.', '', 'Return delay, pick-up, mechanism.', $arc, band: 'return', instrument: 'stopwatch', after: ['close', 'stop-generator']),
    new StepRow(Stage::Return_, 'off-time', StepKind::Confirm, 'It rests between the sources', 'Residual voltage of motors must be gone.', 'A pause between opening and closing, as on the sheet.', 'Transition and off delay on the sheet.', when: 'delayed', after: ['time-return']),
    new StepRow(Stage::Return_, 'time-engine-stop', StepKind::Time, 'Return to engine stop', 'It cools down without load, and stops by itself.', '', 'Cool-down, minimum run, or something holds the start contact.', $starts, plants: 'standby', band: 'engine_stop', instrument: 'stopwatch', after: ['time-return']),
    new StepRow(Stage::Return_, 'ready', StepKind::Confirm, 'It is ready for the next one', 'A fault that stays locked in makes the next outage dark.', 'Selector in automatic, no alarm, generator breaker closed.', 'Clear the alarm as the maker says, and find its reason.', plants: $engine),

    // Test by the button
    new StepRow(Stage::TestButton, 'press', StepKind::Confirm, 'Begin a test with load at the controller', 'It is what the owner will do. It proves engine and mechanism; that the switch notices a lost utility was proved by the outage.', 'It starts by itself, and the load moves.', 'A controller that tests without load only: leave this out, and say so.', "$starts $arc", plants: 'standby', when: 'test_button', after: ['return/ready']),
    new StepRow(Stage::TestButton, 'time-start-signal', StepKind::Time, 'Button to start signal', 'A test asks for the start at once.', '', 'The controller waits before a test, or the start relay and its wiring.', $starts, plants: 'standby', when: 'test_button', band: 'test_start_signal', instrument: 'stopwatch', after: ['press']),
    new StepRow(Stage::TestButton, 'time-engine-running', StepKind::Time, 'Start signal to a good generator', 'Cranks, run-up, pick-up.', '', 'Fuel, choke, battery, governor; an emergency pick-up set too high.', $starts, plants: 'standby', when: 'test_button', band: 'test_engine_running', instrument: 'stopwatch', after: ['press']),
    new StepRow(Stage::TestButton, 'time-transfer', StepKind::Time, 'Button to transfer', 'Cranks, run-up and the warm-up; the load is without for the movement only.', '', 'Transfer delay, emergency pick-up, generator breaker, selector, mechanism.', $arc, plants: 'standby', when: 'test_button', band: 'test_transfer', instrument: 'stopwatch', after: ['press']),
    new StepRow(Stage::TestButton, 'end', StepKind::Confirm, 'End the test at the controller', 'Some controllers go back at once, others wait for the return delay: see the maker\'s instructions.', 'The load goes back by itself.', 'Selector, and what holds the test.', $arc, plants: 'standby', when: 'test_button', after: ['press']),
    new StepRow(Stage::TestButton, 'time-return', StepKind::Time, 'End of the test to return', 'At the latest when the return delay is over.', '', 'Return delay, pick-up, mechanism.', $arc, plants: 'standby', when: 'test_button', band: 'test_return', instrument: 'stopwatch', after: ['end']),
    new StepRow(Stage::TestButton, 'time-engine-stop', StepKind::Time, 'Return to engine stop', 'It cools down without load, and stops by itself.', '', 'Cool-down, minimum run, or something holds the start contact.', $starts, plants: 'standby', when: 'test_button', band: 'test_engine_stop', instrument: 'stopwatch', after: ['end']),

    // Manual transfer
    new StepRow(Stage::ManualTransfer, 'dead-first', StepKind::Confirm, 'Everything dead again, or as the maker allows it', 'A lever moved on load can throw an arc.', 'Both sources open, locked, proved dead; or the maker\'s own words say otherwise.', 'Leave it out.', $arc, plants: $fixed, when: 'manual', mayBeSkipped: false),
    new StepRow(Stage::ManualTransfer, 'lever', StepKind::Confirm, 'By the lever to the other side and back', 'Somebody will need it in the dark.', 'It moves freely, latches on both sides, the lever is back in its place.', 'Maintain the mechanism, dead.', $arc, plants: $fixed, when: 'manual', after: ['dead-first']),
    new StepRow(Stage::ManualTransfer, 'back-to-automatic', StepKind::Confirm, 'Back to automatic', 'Left in manual it does nothing in the storm.', 'Selector in automatic, sources closed again.', 'Selector.', plants: $fixed, when: 'manual', after: ['lever'], mayBeSkipped: false),

    // Clean up
    new StepRow(Stage::CleanUp, 'left-in-automatic', StepKind::Confirm, 'Left in automatic, breakers closed, covers on', 'The usual faults of a dead standby are a selector and a breaker.', 'Selector in automatic, generator breaker closed, all covers screwed, nothing tagged.', 'Put it so, and look again.', mayBeSkipped: false),
    new StepRow(Stage::CleanUp, 'photo-closed', StepKind::Photo, 'Picture of what was left', 'It ends the question who left it so.', 'Selector, breakers and labels in the picture.', 'Take it again.', when: 'photos'),
    new StepRow(Stage::CleanUp, 'settings-left', StepKind::Confirm, 'Settings as left agree with the sheet', 'Nobody writes the settings down.', 'Read back from the controller, figure by figure.', 'Write a new version of the sheet: the affected steps open again.'),
    new StepRow(Stage::CleanUp, 'owner-shown', StepKind::Confirm, 'Show the owner', 'The owner thinks the weekly run is a test.', 'What the lamps mean, what to do when the load breaker trips, when the next test is.', 'Leave it in writing, and ring.', when: 'owner'),
    new StepRow(Stage::CleanUp, 'sign-technician', StepKind::Sign, 'The technician signs', 'A name stands behind it.', 'Signed.', 'Unsigned it proves nothing.', mayBeSkipped: false),
    new StepRow(Stage::CleanUp, 'sign-owner', StepKind::Sign, 'The owner signs', 'They have seen it run.', 'Signed.', 'Note why not.', when: 'owner', after: ['owner-shown']),
];

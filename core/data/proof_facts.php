<?php

declare(strict_types=1);

// What a part of a proof rests on, by the key of the fact: its label, the parts, and whether its value is only a fingerprint
// of something longer. A key that ends in a colon stands for all that begin with it. Rule: docs/rules.md#proof, "rests on".

use Escapement\Core\Commissioning\Proof\ProofFact;
use Escapement\Core\Commissioning\Proof\ProofPart as P;

return [
    new ProofFact(
        'installation',
        'Installation type',
        [P::DeadChecks, P::Sources, P::Rotation, P::Sensing, P::Times, P::Bait, P::Carries, P::StartCircuit],
    ),
    new ProofFact('service', 'Service', [P::DeadChecks, P::Carries]),
    new ProofFact('switch_rating', 'Rating of the switch', [P::DeadChecks, P::Carries]),
    new ProofFact('poles', 'Poles', [P::DeadChecks, P::Rotation]),
    new ProofFact('service_rated', 'Service-rated', [P::DeadChecks, P::Sensing]),
    new ProofFact('neutral', 'Neutral of the switch', [P::DeadChecks]),
    new ProofFact('bonds', 'Bonds', [P::DeadChecks]),
    new ProofFact('panels', 'Panels', [P::DeadChecks], isFingerprint: true),
    new ProofFact('feeders', 'Feeders', [P::DeadChecks, P::Rotation], isFingerprint: true),
    new ProofFact('landing', 'Terminations', [P::DeadChecks, P::Rotation], isFingerprint: true),
    new ProofFact('upstream', 'Supply upstream', [P::DeadChecks, P::Sensing]),
    new ProofFact('test_point', 'Outage test point', [P::Sensing]),
    new ProofFact('supply', 'Supply', [P::Sources, P::Rotation, P::Sensing, P::Times]),
    new ProofFact('fuel', 'Fuel', [P::Sources, P::Times, P::StartCircuit, P::LoadTest]),
    new ProofFact('source_rating', 'Source', [P::Sources, P::Carries, P::LoadTest]),
    new ProofFact('engine', 'Engine', [P::Times], isFingerprint: true),
    new ProofFact('controls', 'Control wiring', [P::StartCircuit], isFingerprint: true),
    new ProofFact('circuit', 'Control circuit', [P::DeadChecks, P::Sources, P::Sensing, P::Times], isFingerprint: true),
    new ProofFact('load:', 'Load', [P::Carries]),
    new ProofFact('load_total', 'Load in all', [P::LoadTest], withinPct: 10),
    new ProofFact('shedding', 'Load shedding', [P::Carries], isFingerprint: true),
    new ProofFact('sensing', 'Sensing on the sheet', [P::Sensing], isFingerprint: true),
    new ProofFact('start_delay', 'Start delay', [P::Times]),
    new ProofFact('transfer_delay', 'Transfer delay', [P::Times]),
    new ProofFact('return_delay', 'Return delay', [P::Times, P::Bait]),
    new ProofFact('cooldown', 'Cool-down', [P::Times]),
    new ProofFact('min_run', 'Minimum run', [P::Times]),
    new ProofFact('transition', 'Transition', [P::Times]),
    new ProofFact('dropout_delay', 'Drop-out delay', [P::Sensing, P::Times, P::Bait]),
];

<?php

declare(strict_types=1);

// What a newer edition of the procedure proves that an older one did not: edition, part, installation types, and why it is to be
// looked at again. A proof from before stays what it was. Rule: docs/rules.md#proof.

use Escapement\Core\Commissioning\Proof\ChangedRule;
use Escapement\Core\Commissioning\Proof\ProofPart as P;

return [
    new ChangedRule(
        2,
        P::DeadChecks,
        'K1 K2 K3 K4 K7 K8 K9 K10',
        'the bonds were proved with every neutral landed, and earth reads through the utility: a second or a missing bond stays hidden. '
            . 'Now the feeder neutral of each sub-panel is lifted',
    ),
    new ChangedRule(
        2,
        P::Sensing,
        'K1 K2 K3 K4 K6 K7 K8 K9 K10',
        'only the loss of all phases at once was tried. Now each phase of each source is lost in turn',
    ),
    new ChangedRule(
        2,
        P::StartCircuit,
        'K1 K2 K3 K8 K9 K10',
        'the start circuit was neither opened nor shorted, and the emergency stop not pressed. Now they are',
    ),
    new ChangedRule(
        2,
        P::LoadTest,
        'K1 K2 K3 K8 K9 K10',
        'the steps of the load bank were counted without the load of the building. Now they are the total of both',
    ),
    new ChangedRule(
        3,
        P::DeadChecks,
        'K7 K8 K9',
        'the control circuit was not rung out. Now each state of it is, against the circuit that was proved or the diagram of its maker',
    ),
];

<?php

declare(strict_types=1);

// Which steps of the procedure prove which part; an id that ends in * stands for all that begin with it. Times and bait are
// proved by the stopwatch, not by a step. Rule: docs/rules.md#proof, "proved by".

return [
    'dead_checks' => [
        'isolate/line-side-dead', 'isolate/proved-dead', 'install/done', 'inspect/same-leg', 'inspect/bonds', 'inspect/interlock',
        'inspect/circuit-proved', 'inspect/circuit-by-maker', 'dead_checks/ring-*', 'manual_transfer/handle',
        'inspect/outlet-protection',
        'inspect/cord-ends', 'dead_checks/insulation-*', 'dead_checks/no-short', 'dead_checks/bonds-by-lifting-*', 'dead_checks/bond-one',
    ],
    'sources' => [
        'energise/utility-volts-*', 'energise/utility-line-volts', 'energise/utility-hz', 'energise/neutral-ground',
        'no_load_run/generator-volts-*', 'no_load_run/generator-line-volts', 'no_load_run/generator-hz', 'energise/first-alone',
        'no_load_run/second-alone',
    ],
    'rotation' => ['energise/utility-rotation', 'no_load_run/generator-rotation'],
    'sensing' => ['simulated_outage/open', 'simulated_outage/phase-loss-*'],
    'carries' => [
        'on_load_checks/generator-volts-*', 'on_load_checks/amps-*', 'on_load_checks/generator-hz', 'on_load_checks/unbalance',
        'on_load_checks/neutral-ground',
        'on_load_checks/alive-*', 'on_load_checks/shedding', 'on_load_checks/bank-off', 'return/bank-back',
    ],
    'start_circuit' => [
        'inspect/control-wires',
        'inspect/start-circuit-wires',
        'inspect/start-contact',
        'no_load_run/start-open',
        'no_load_run/start-short',
        'no_load_run/emergency-stop',
        'energise/charger-float',
        'inspect/battery-rest',
        'energise/charger-live',
        'no_load_run/battery-crank',
    ],
    'left_ready' => ['clean_up/left-in-automatic', 'clean_up/settings-left'],
    'load_test' => ['on_load_checks/load-bank-*'],
];

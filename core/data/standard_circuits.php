<?php

declare(strict_types=1);

// Standard control circuits of changeovers, in the form of `relay_check`, with engines and times as `relay_play` takes them.

return [
    'a' => [
        'name' => 'Two transformers, contactor pair',
        'sentence' => 'Phase-failure relays on both, an auxiliary relay prefers the first.',
        'kinds' => ['K7'],
        'circuit' => [
            'phases' => 3,
            'preferred' => 't1',
            'mechanical_interlock' => true,
            'supplies' => [['id' => 't1', 'rotation' => 'abc'], ['id' => 't2', 'rotation' => 'abc']],
            'devices' => [
                ['id' => 'PF1', 'type' => 'phase_relay', 'supply' => 't1'],
                ['id' => 'PF2', 'type' => 'phase_relay', 'supply' => 't2'],
                ['id' => 'KA', 'type' => 'relay'],
                ['id' => 'K1', 'type' => 'contactor', 'power_from' => 't1', 'mirror_contacts' => true],
                ['id' => 'K2', 'type' => 'contactor', 'power_from' => 't2', 'mirror_contacts' => true],
                ['id' => 'H1', 'type' => 'lamp'],
                ['id' => 'H2', 'type' => 'lamp'],
            ],
            'rungs' => [
                ['id' => 'r1', 'coil' => 'KA', 'supply' => 't1', 'when' => ['no' => 'PF1']],
                [
                    'id' => 'r2',
                    'coil' => 'K1',
                    'supply' => 't1',
                    'when' => ['all' => [['no' => 'KA', 'contact' => '13-14'], ['nc' => 'K2', 'contact' => '21-22']]],
                ],
                [
                    'id' => 'r3',
                    'coil' => 'K2',
                    'supply' => 't2',
                    'when' => [
                        'all' => [
                            ['no' => 'PF2'],
                            ['nc' => 'KA', 'contact' => '21-22'],
                            ['nc' => 'K1', 'contact' => '21-22'],
                        ],
                    ],
                ],
                [
                    'id' => 'r4',
                    'coil' => 'H1',
                    'supply' => 't1',
                    'when' => ['no' => 'K1', 'contact' => '43-44'],
                ],
                [
                    'id' => 'r5',
                    'coil' => 'H2',
                    'supply' => 't2',
                    'when' => ['no' => 'K2', 'contact' => '43-44'],
                ],
            ],
        ],
        'supplies' => [],
    ],
    'b' => [
        'name' => 'Utility and generator, contactor pair',
        'sentence' => 'A return timer on the utility; the engine is called by a normally closed contact of K1.',
        'kinds' => ['K8'],
        'circuit' => [
            'phases' => 3,
            'preferred' => 'mains',
            'mechanical_interlock' => true,
            'supplies' => [['id' => 'mains', 'rotation' => 'abc'], ['id' => 'gen', 'rotation' => 'abc']],
            'devices' => [
                ['id' => 'PFM', 'type' => 'phase_relay', 'supply' => 'mains'],
                ['id' => 'PFG', 'type' => 'phase_relay', 'supply' => 'gen'],
                ['id' => 'T1', 'type' => 'timer', 'mode' => 'on_delay', 'seconds' => 30],
                ['id' => 'K1', 'type' => 'contactor', 'power_from' => 'mains'],
                ['id' => 'K2', 'type' => 'contactor', 'power_from' => 'gen'],
                [
                    'id' => 'START',
                    'type' => 'start',
                    'starts' => 'gen',
                    'when' => ['nc' => 'K1', 'contact' => '31-32'],
                ],
                ['id' => 'HM', 'type' => 'lamp'],
                ['id' => 'HG', 'type' => 'lamp'],
            ],
            'rungs' => [
                ['id' => 'r1', 'coil' => 'T1', 'supply' => 'mains', 'when' => ['no' => 'PFM']],
                [
                    'id' => 'r2',
                    'coil' => 'K1',
                    'supply' => 'mains',
                    'when' => ['all' => [['no' => 'T1'], ['nc' => 'K2', 'contact' => '21-22']]],
                ],
                [
                    'id' => 'r3',
                    'coil' => 'K2',
                    'supply' => 'gen',
                    'when' => ['all' => [['no' => 'PFG'], ['nc' => 'T1'], ['nc' => 'K1', 'contact' => '21-22']]],
                ],
                [
                    'id' => 'r4',
                    'coil' => 'HM',
                    'supply' => 'mains',
                    'when' => ['no' => 'K1', 'contact' => '43-44'],
                ],
                [
                    'id' => 'r5',
                    'coil' => 'HG',
                    'supply' => 'gen',
                    'when' => ['no' => 'K2', 'contact' => '43-44'],
                ],
            ],
        ],
        'supplies' => ['gen' => ['engine' => ['cooldown_ms' => 30000]]],
    ],
    'c' => [
        'name' => 'Utility and generator, two timers, selector',
        'sentence' => 'A timer on each source and a selector auto, 0, I, II.',
        'kinds' => ['K8'],
        'circuit' => [
            'phases' => 3,
            'preferred' => 'mains',
            'mechanical_interlock' => true,
            'supplies' => [['id' => 'mains', 'rotation' => 'abc'], ['id' => 'gen', 'rotation' => 'abc']],
            'devices' => [
                ['id' => 'PFM', 'type' => 'phase_relay', 'supply' => 'mains'],
                ['id' => 'PFG', 'type' => 'phase_relay', 'supply' => 'gen'],
                ['id' => 'T1', 'type' => 'timer', 'mode' => 'on_delay', 'seconds' => 10],
                ['id' => 'T2', 'type' => 'timer', 'mode' => 'on_delay', 'seconds' => 8],
                ['id' => 'K1', 'type' => 'contactor', 'power_from' => 'mains', 'mirror_contacts' => true],
                ['id' => 'K2', 'type' => 'contactor', 'power_from' => 'gen', 'mirror_contacts' => true],
                ['id' => 'S1', 'type' => 'selector', 'positions' => ['auto', '0', 'I', 'II']],
                [
                    'id' => 'START',
                    'type' => 'start',
                    'starts' => 'gen',
                    'when' => [
                        'any' => [
                            ['all' => [['of' => 'S1', 'at' => ['auto']], ['nc' => 'PFM']]],
                            ['of' => 'S1', 'at' => ['II']],
                        ],
                    ],
                ],
            ],
            'rungs' => [
                ['id' => 'r1', 'coil' => 'T1', 'supply' => 'mains', 'when' => ['no' => 'PFM']],
                ['id' => 'r2', 'coil' => 'T2', 'supply' => 'gen', 'when' => ['no' => 'PFG']],
                [
                    'id' => 'r3',
                    'coil' => 'K1',
                    'supply' => 'mains',
                    'when' => [
                        'all' => [
                            [
                                'any' => [
                                    ['all' => [['of' => 'S1', 'at' => ['auto']], ['no' => 'T1']]],
                                    ['of' => 'S1', 'at' => ['I']],
                                ],
                            ],
                            ['nc' => 'K2'],
                        ],
                    ],
                ],
                [
                    'id' => 'r4',
                    'coil' => 'K2',
                    'supply' => 'gen',
                    'when' => [
                        'all' => [
                            [
                                'any' => [
                                    [
                                        'all' => [['of' => 'S1', 'at' => ['auto']], ['no' => 'T2'], ['nc' => 'T1']],
                                    ],
                                    ['of' => 'S1', 'at' => ['II']],
                                ],
                            ],
                            ['nc' => 'K1'],
                        ],
                    ],
                ],
            ],
        ],
        'supplies' => ['gen' => ['engine' => ['cooldown_ms' => 30000]]],
    ],
    'd' => [
        'name' => 'Motor-driven changeover',
        'sentence' => 'Handle lock-out, a timer on each source, interposing contactors, limit contacts.',
        'kinds' => ['K9'],
        'circuit' => [
            'phases' => 3,
            'preferred' => 'mains',
            'mechanical_interlock' => true,
            'supplies' => [
                ['id' => 'mains', 'rotation' => 'abc'],
                ['id' => 'gen', 'rotation' => 'abc'],
                ['id' => 'dc', 'always' => true],
            ],
            'devices' => [
                ['id' => 'PFM', 'type' => 'phase_relay', 'supply' => 'mains'],
                ['id' => 'PFG', 'type' => 'phase_relay', 'supply' => 'gen'],
                ['id' => 'T1', 'type' => 'timer', 'mode' => 'on_delay', 'seconds' => 10],
                ['id' => 'T2', 'type' => 'timer', 'mode' => 'on_delay', 'seconds' => 5],
                ['id' => 'K1', 'type' => 'contactor'],
                ['id' => 'K2', 'type' => 'contactor'],
                ['id' => 'S1', 'type' => 'selector', 'positions' => ['auto', '0', 'I', 'II']],
                ['id' => 'HND', 'type' => 'handle'],
                ['id' => 'Q1', 'type' => 'motor_changeover', 'power_i' => 'mains', 'power_ii' => 'gen'],
                ['id' => 'START', 'type' => 'start', 'starts' => 'gen', 'when' => ['nc' => 'PFM']],
            ],
            'rungs' => [
                ['id' => 'r1', 'coil' => 'T1', 'supply' => 'mains', 'when' => ['no' => 'PFM']],
                ['id' => 'r2', 'coil' => 'T2', 'supply' => 'gen', 'when' => ['no' => 'PFG']],
                [
                    'id' => 'r3',
                    'coil' => 'K1',
                    'supply' => 'dc',
                    'when' => [
                        'all' => [
                            ['nc' => 'HND'],
                            [
                                'any' => [
                                    ['all' => [['of' => 'S1', 'at' => ['auto']], ['no' => 'T1']]],
                                    ['of' => 'S1', 'at' => ['I']],
                                ],
                            ],
                            ['nc' => 'K2'],
                        ],
                    ],
                ],
                [
                    'id' => 'r4',
                    'coil' => 'K2',
                    'supply' => 'dc',
                    'when' => [
                        'all' => [
                            ['nc' => 'HND'],
                            [
                                'any' => [
                                    [
                                        'all' => [['of' => 'S1', 'at' => ['auto']], ['no' => 'T2'], ['nc' => 'T1']],
                                    ],
                                    ['of' => 'S1', 'at' => ['II']],
                                ],
                            ],
                            ['nc' => 'K1'],
                        ],
                    ],
                ],
                [
                    'id' => 'r5',
                    'coil' => 'Q1.I',
                    'supply' => 'dc',
                    'when' => ['all' => [['nc' => 'HND'], ['no' => 'K1'], ['of' => 'Q1', 'at' => ['0', 'II']]]],
                ],
                [
                    'id' => 'r6',
                    'coil' => 'Q1.II',
                    'supply' => 'dc',
                    'when' => ['all' => [['nc' => 'HND'], ['no' => 'K2'], ['of' => 'Q1', 'at' => ['I', '0']]]],
                ],
                [
                    'id' => 'r7',
                    'coil' => 'Q1.0',
                    'supply' => 'dc',
                    'when' => [
                        'all' => [['nc' => 'HND'], ['of' => 'S1', 'at' => ['0']], ['nc' => 'K1'], ['nc' => 'K2']],
                    ],
                ],
            ],
        ],
        'supplies' => ['gen' => ['engine' => ['cooldown_ms' => 30000]]],
    ],
];

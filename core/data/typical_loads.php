<?php

declare(strict_types=1);

// Generic loads of a house or vehicle to begin a list with: planning figures, to be put right from the nameplate.
// name, running kW, legs (1 or 2), kVA at the start, duty %, priority, must run, essential, may be shed, compressor, sensitive

return [
    ['Furnace blower, gas', 0.6, 1, 2.5, 50, 1, true, true, false, false, false],
    ['Well pump', 1.5, 2, 6, 20, 1, true, true, false, false, false],
    ['Sump pump', 0.8, 1, 3.5, 30, 1, true, true, false, false, false],
    ['Refrigerator', 0.2, 1, 1.2, 40, 1, true, true, false, true, false],
    ['Freezer', 0.2, 1, 1.2, 40, 1, true, true, false, true, false],
    ['Lights', 0.8, 1, 0, 60, 1, true, true, false, false, false],
    ['Network and telephone', 0.1, 1, 0, 100, 1, true, true, false, false, true],
    ['Alarm', 0.05, 1, 0, 100, 1, true, true, false, false, true],
    ['Medical equipment', 0.4, 1, 0, 100, 1, true, true, false, false, true],
    ['Computers', 0.4, 1, 0, 60, 2, false, true, false, false, true],
    ['Kitchen outlets', 1.5, 1, 0, 30, 2, false, true, false, false, false],
    ['Microwave', 1.5, 1, 0, 10, 3, false, false, true, false, false],
    ['Range', 8, 2, 0, 20, 5, false, false, true, false, false],
    ['Water heater', 4.5, 2, 0, 30, 4, false, false, true, false, false],
    ['Clothes dryer', 5.6, 2, 0, 20, 5, false, false, true, false, false],
    ['Air conditioner, 3 ton', 3.5, 2, 17, 60, 3, false, false, true, true, false],
    ['Heat pump, 3 ton, with strips', 13, 2, 17, 60, 3, false, false, true, true, false],
    ['Air conditioner, 5 ton', 5.5, 2, 35, 60, 3, false, false, true, true, false],
    ['Vehicle charger', 7.2, 2, 0, 60, 6, false, false, true, false, true],
    ['Garage door', 0.6, 1, 2, 5, 2, false, true, false, false, false],
    ['Roof air conditioner, mobile', 1.5, 1, 7, 60, 3, false, false, true, true, false],
    ['Charger or converter, mobile', 0.9, 1, 0, 60, 3, false, false, true, false, false],
];

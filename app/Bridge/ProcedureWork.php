<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\Run;
use App\Models\TransferSwitch;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\Node;
use Escapement\Core\Materials\MaterialsList;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Terminations\Entry;
use Escapement\Core\Wire\Topology\OneLineReader;
use Escapement\Core\Wire\Topology\OneLineWriter;
use Illuminate\Support\Carbon;

/**
 * What a site and its plan give to `calc procedure`: all of its input but the plant and the settings. A run keeps it as it was,
 * so that what was answered and signed does not change with the plan.
 */
final readonly class ProcedureWork
{
    /** The schools that can be chosen, and whether they are by default. */
    public const SCHOOLS = [
        'bait' => true, 'manual_transfer' => false, 'load_bank' => false, 'owner_present' => true, 'photos' => true, 'droop' => false,
        'contact_resistance' => false,
        'contact_test_points' => false,
        'other_signals' => false,
        'bypass' => false,
        'test_button' => false,
        'install' => false,
    ];

    /** What each school adds, for a person to choose. */
    public const SCHOOL_WORDS = [
        'install' => 'The installation too: feeders, terminations, each lug with its torque, bonds that move',
        'bait' => 'Bait test: the utility comes back for less than the return delay, and the load stays',
        'owner_present' => 'The owner is there and signs',
        'photos' => 'Pictures as evidence',
        'test_button' => 'Test by the button, timed: what the owner will do',
        'manual_transfer' => 'Manual transfer by the lever',
        'load_bank' => 'Load bank in quarter steps',
        'contact_resistance' => 'Resistance of the contacts, dead',
        'contact_test_points' => 'External test points: drop of the contacts on load',
        'other_signals' => 'Other signals: elevator, fire pump, building management',
        'bypass' => 'Bypass and isolation switch',
        'droop' => 'The governor droops: wider frequency bands',
    ];

    /**
     * Needs of the switch: site, loads, plan.
     *
     * @param array<string, mixed> $schools    as chosen, by name
     * @param ?string              $torqueUnit of the tool in hand; null: the usual one of the site's units
     *
     * @return array<string, mixed> as the schema procedure has it
     */
    public static function of(TransferSwitch $switch, array $schools, ?string $torqueUnit = null): array
    {
        $chosen = self::chosen($schools, $switch->site->installation);
        $plan = new PlanFacts($switch, $switch->plan);
        $work = [
            'kind' => $switch->site->installation->value,
            'edition' => ProcedureOptions::EDITION,
            'options' => self::options($switch, $chosen) + array_intersect_key($schools, ['service' => true]),
        ];
        if ($plan->source !== null && $plan->source->legA > 0) {
            $work['options']['leg_a'] = round($plan->source->legA, 1);
        } elseif (! $switch->site->installation->hasGenerator() && $switch->rating_a !== null) {
            $work['options']['leg_a'] = (float) $switch->rating_a; // a second utility gives what the switch may carry
        }
        if ($switch->rating_a !== null) {
            $work['options']['switch_a'] = (float) $switch->rating_a;
        }
        $class = $plan->plan->in->declared?->systemClass() ?? 'none';
        if ($class !== 'none') {
            $work['options']['system_class'] = $class;
        }
        $panel = new PanelFacts($switch);
        $work['options'] += $panel->bank();
        $built = $panel->panel();
        $work += $built === null ? [] : ['panel' => $built];
        $work += [
            'bond_places' => self::bondPlaces($plan),
            'topology' => (new OneLineWriter())->drawing($plan->plan->oneLine()),
            'names' => $plan->plan->names(), 'isolation' => self::isolation($switch),
        ];
        $surveyed = array_filter(['device' => $switch->test_device, 'label' => $switch->test_disconnect], is_string(...));
        $work += $surveyed === [] ? [] : ['surveyed' => $surveyed];

        return $chosen['install'] ? $work + [
            'install' => self::install($switch, $plan, $torqueUnit ?? ($switch->site->units === 'metric' ? 'nm' : 'in_lb')),
        ] : $work;
    }

    /** @return array<string, mixed> where bonds are proved; the one bond only where the bonding of the site is known */
    private static function bondPlaces(PlanFacts $plan): array
    {
        $bonding = $plan->bonding();
        $name = static fn(string $id): string => $plan->plan->names()[$id] ?? $id;
        $subs = array_values(array_filter($bonding->panelWork(), static fn(array $panel): bool => $panel['role'] === 'sub'));
        $after = $bonding->isKnown() ? array_values(array_filter(
            $bonding->bondedAfter(),
            static fn(string $id): bool => $id !== 'gen',
        )) : [];

        return [
            'sub_panels' => array_map(static fn(array $panel): array => ['id' => $panel['panel'], 'name' => $name($panel['panel'])], $subs),
        ]
            + (count($after) === 1 ? ['bond_place' => $name($after[0])] : []);
    }

    /** @return array<string, string> who opens upstream of the work, as surveyed */
    private static function isolation(TransferSwitch $switch): array
    {
        $survey = $switch->survey ?? [];
        $answer = static fn(string $key): string => is_string($survey[$key] ?? null) ? $survey[$key] : 'not_known';
        $kind = $switch->site->installation;

        $inspection = $answer('inspection'); // a release that is there already is still shown on the day

        return [
            'upstream' => $kind->isMobile() ? 'not_asked' : $answer('upstream'),
            'inspection' => $inspection === 'released' ? 'yes' : $inspection,
        ]
            + ($kind->hasGenerator() ? [] : ['second' => $answer('upstream_second')]);
    }

    /** @return null|array<string, mixed> what site and plan of now would give to a run that has begun; null when it is what the run has */
    public static function changedSince(Run $run): ?array
    {
        $now = self::of($run->switch, $run->options ?? [], $run->work['install']['torque_unit'] ?? null);
        $but = static function (array $work): string {
            unset($work['install']['work_date']); // a run that goes on tomorrow is no change of the plan
            if (isset($work['topology'])) { // nor is the same drawing, as an earlier edition wrote it
                $work['topology'] = (new OneLineWriter())->drawing((new OneLineReader())->whole(Node::fromArray($work['topology'])));
            }
            foreach ($work['install']['feeders'] ?? [] as $i => $feeder) {
                if (isset($feeder['asked'])) { // other words for the same work are no change either
                    unset($work['install']['feeders'][$i]['words']);
                }
            }

            return json_encode($work, JSON_THROW_ON_ERROR);
        };

        return $run->work === null || $but($run->work) === $but($now) ? null : $now;
    }

    /**
     * @param array<mixed>      $typed
     * @param ?InstallationKind $kind  portables have a mechanical governor, which droops
     *
     * @return array<key-of<self::SCHOOLS>, bool>
     */
    public static function chosen(array $typed, ?InstallationKind $kind = null): array
    {
        $chosen = [];
        foreach (self::SCHOOLS as $school => $isUsual) {
            $chosen[$school] = (bool) ($typed[$school] ?? ($school === 'droop' && $kind?->isPortable() === true || $isUsual));
        }

        return $chosen;
    }

    /**
     * @param array<key-of<self::SCHOOLS>, bool> $chosen
     *
     * @return array<string, mixed>
     */
    private static function options(TransferSwitch $switch, array $chosen): array
    {
        return array_diff_key($chosen, ['droop' => true, 'install' => true]) + [
            'governor' => $chosen['droop'] ? 'droop' : 'isochronous',
            'burns_gas' => $switch->fuel === Fuel::Lp || $switch->fuel === Fuel::NaturalGas,
            'must_run' => array_values(
                $switch->loads->filter(static fn(LoadItem $load): bool => $load->must_run)->map(
                    static fn(LoadItem $load): string => mb_substr($load->name, 0, 64),
                )->all(),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function install(TransferSwitch $switch, PlanFacts $plan, string $unit): array
    {
        $work = new LandingWork($switch, $plan);
        $against = self::faultyLandings($work);
        foreach ($work->boxes as $one) {
            foreach ($one['answer']->findings ?? [] as $finding) {
                if ($finding->severity === Severity::Stop) {
                    $against[(string) $one['box']['from']][] = "{$one['box']['name']}: {$finding->sentence()}";
                    $against[(string) $one['box']['to']][] = "{$one['box']['name']}: {$finding->sentence()}";
                }
            }
        }
        $feeders = [];
        foreach ($work->waiting as $i => $sentence) {
            $feeders["waiting $i"] = ['name' => 'Feeder of the source', 'words' => 'Its size is not known.', 'stops' => [$sentence]];
        }
        foreach ($work->rows as $row) {
            $name = $row->typed('name');
            $stops = array_map(
                static fn(Finding $finding): string => $finding->sentence(),
                array_values(array_filter($row->findings, static fn(Finding $finding): bool => $finding->severity === Severity::Stop)),
            );
            $feeders[$name] = [
                'name' => $name,
                'words' => self::pull($row, $work->entries, $plan->plan->names()),
                'asked' => self::pullAsked($row, $work->entries),
                'stops' => [...$stops, ...($row->fault === null ? [] : [$row->fault]), ...array_unique($against[$name] ?? [])],
            ];
        }
        $enclosures = array_map(static fn(EnclosureTable $table): array => [
            'id' => $table->id,
            'name' => $table->name,
            'colour_system' => $work->facts->colours->name,
            'bonding_point' => $table->isBondingPoint,
            'lines' => $table->asked(),
        ], array_filter(
            array_values($work->enclosures),
            static fn(EnclosureTable $table): bool => $table->fault === null && $table->lines !== [],
        ));
        $calibrated = $switch->plan->pack['calibrated'][MaterialsList::torqueToolKey()] ?? null;

        return [
            'torque_unit' => $unit, 'work_date' => Carbon::now($switch->site->timezone)->format('Y-m-d'),
            'actions' => $work->bonding->values['actions'], 'feeders' => array_values($feeders),
            'enclosures' => array_values($enclosures),
        ]
            + (is_string($calibrated) ? ['calibrated_on' => $calibrated] : [])
            + ($work->bonding->isKnown() ? []
                : [
                    'bonds_unknown' => 'Not known: ' . implode(', ', $work->bonding->unknown)
                        . '. No bond is moved on a guess: look, isolated and proved dead, and enter it on the Plan page.',
                ]);
    }

    /**
     * @return array<string, list<string>> what is wrong with a landing list that cannot be judged, by the runs that land there:
     *                                     its lugs cannot be asked for
     */
    private static function faultyLandings(LandingWork $work): array
    {
        $against = [];
        foreach ($work->enclosures as $table) {
            foreach ($table->fault === null ? [] : $work->rows as $row) {
                if (in_array($table->id, [$row->typed('from'), $row->typed('to')], true)) {
                    $against[$row->typed('name')][] = "The landing list of $table->name cannot be judged: $table->fault";
                }
            }
        }

        return $against;
    }

    /**
     * @param list<Entry>           $entries
     * @param array<string, string> $names
     */
    private static function pull(WireRow $row, array $entries, array $names): string
    {
        $ends = array_map(static function (Entry $entry) use ($names): string {
            $place = $names[$entry->enclosure] ?? $entry->enclosure;
            $bushed = $entry->isBushed ? ', insulating bushing' : '';
            $sealed = $entry->isSealed ? ', sealed outdoors' : '';

            return "$place: $entry->connector $entry->tradeSize, knock-out $entry->knockOutIn in$bushed$sealed";
        }, self::entriesOf($row, $entries));

        return mb_substr(
            ($row->size === null ? 'Its size is not known.' : "Size $row->size. ") . ($ends === [] ? '' : implode('; ', $ends) . '.'),
            0,
            400,
        );
    }

    /**
     * The same as data: what is to be pulled, and through what at each end.
     *
     * @param list<Entry> $entries
     */
    private static function pullAsked(WireRow $row, array $entries): string
    {
        $ends = array_map(
            static fn(Entry $entry): string => implode(
                '/',
                [$entry->enclosure, $entry->connectorId, $entry->tradeSize, (int) $entry->isBushed, (int) $entry->isSealed],
            ),
            self::entriesOf($row, $entries),
        );

        return mb_substr('pull ' . ($row->size ?? 'unknown') . ' ' . implode(';', $ends), 0, 800);
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<Entry>
     */
    private static function entriesOf(WireRow $row, array $entries): array
    {
        return array_values(array_filter($entries, static fn(Entry $entry): bool => $entry->feeder === $row->typed('name')));
    }
}

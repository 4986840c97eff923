<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Topology;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Ratings, classes and declared facts of a one-line: each finding on one side of its rule, not on the other. */
final class DeclaredFactsTest extends TestCase
{
    private const ATS = [
        'id' => 'ats', 'type' => 'switch', 'kind' => 'motor', 'poles' => 3, 'neutral' => 'solid', 'rating_a' => 2000, 'withstand_ka' => 65,
        'withstand_basis' => 'listed_device', 'withstand_device_ok' => true,
    ];

    /**
     * @param array<string, array<string, mixed>> $patches by element; `top` for the drawing itself
     * @param list<string>                        $told    "id at severity"
     * @param list<string>                        $silent  ids
     */
    #[Test, DataProvider('ratings'), DataProvider('classes'), DataProvider('protections'), DataProvider('services')]
    public function a_fact_is_judged_when_it_is_declared(array $patches, array $told, array $silent): void
    {
        $findings = (new Calculations())->calc('topology', Node::fromArray(self::drawing($patches)))['findings'];
        self::assertIsArray($findings);
        $found = array_map(
            static fn(array $f): string => implode(' ', array_filter([$f['id'], $f['at'] ?? null, $f['severity']])),
            $findings,
        );
        self::assertSame([], array_values(array_diff($told, $found)), 'told: ' . implode(', ', $found));
        self::assertSame([], array_values(array_intersect($silent, array_column($findings, 'id'))), 'told: ' . implode(', ', $found));
    }

    /**
     * @param array<string, array<string, mixed>> $patches
     *
     * @return array<string, mixed>
     */
    private static function drawing(array $patches): array
    {
        $elements = [
            ['id' => 'util', 'type' => 'source', 'kind' => 'utility', 'available_fault_ka' => 22],
            ['id' => 'gen', 'type' => 'source', 'kind' => 'generator', 'breaker_a' => 1200, 'available_fault_ka' => 5],
            ['id' => 'sd', 'type' => 'disconnect', 'rating_a' => 1200, 'service' => true, 'aic_ka' => 65],
            self::ATS,
            [
                'id' => 'p',
                'type' => 'panel',
                'role' => 'main',
                'rating_a' => 1200,
                'main_a' => 1000,
                'main_aic_ka' => 42,
                'aic_ka' => 42,
                'breakers' => [['id' => 'b', 'rating_a' => 100, 'poles' => 3]],
            ],
            ['id' => 'l', 'type' => 'load', 'phases' => ['L1', 'L2', 'L3']],
        ];
        $elements = array_map(static fn(array $e): array => array_replace_recursive($e, $patches[$e['id']] ?? []), $elements);

        return ($patches['top'] ?? []) + [
            'system' => 'three', 'elements' => $elements, 'volts_ll' => 480,
            'links' => [
                ['from' => 'util', 'to' => 'sd'],
                ['from' => 'sd', 'to' => 'ats.normal'],
                ['from' => 'gen', 'to' => 'ats.emergency'],
                ['from' => 'ats', 'to' => 'p'],
                ['from' => 'p.b', 'to' => 'l'],
            ],
        ];
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, list<string>, list<string>}> */
    public static function ratings(): iterable
    {
        $all = [
            'interrupting-rating-exceeded',
            'interrupting-rating-unknown',
            'series-rating-used',
            'fault-current-unknown',
            'withstand-exceeded',
        ];
        yield 'everything rated' => [[], [], [...$all, 'withstand-basis-unknown', 'withstand-device-unconfirmed']];
        yield 'a panel below the utility' => [['p' => ['aic_ka' => 10]], ['interrupting-rating-exceeded p stop'], ['series-rating-used']];
        yield 'covered by a series combination' => [
            ['p' => ['aic_ka' => 10, 'series_ka' => 22]],
            ['series-rating-used p note'],
            ['interrupting-rating-exceeded'],
        ];
        yield 'not covered by it' => [
            ['p' => ['aic_ka' => 10, 'series_ka' => 21]],
            ['interrupting-rating-exceeded p stop'],
            ['series-rating-used'],
        ];
        yield 'a main is never covered' => [
            ['p' => ['main_aic_ka' => 10, 'series_ka' => 42]],
            ['interrupting-rating-exceeded p.main stop'],
            [],
        ];
        yield 'one breaker of its own' => [['p' => ['breakers' => [['aic_ka' => 14]]]], ['interrupting-rating-exceeded p.b stop'], []];
        yield 'the current at the panel itself' => [['p' => ['aic_ka' => 10, 'fault_ka' => 9]], [], ['interrupting-rating-exceeded']];
        yield 'a panel without rating' => [['p' => ['aic_ka' => null]], ['interrupting-rating-unknown p note'], []];
        yield 'a disconnect without rating' => [['sd' => ['aic_ka' => null]], ['interrupting-rating-unknown sd note'], []];
        yield 'a switch main without rating' => [['ats' => ['main_a' => 1200]], ['interrupting-rating-unknown ats note'], []];
        yield 'nobody asked the utility' => [
            ['util' => ['available_fault_ka' => null]],
            ['fault-current-unknown p note', 'fault-current-unknown ats note'],
            ['interrupting-rating-exceeded'],
        ];
        yield 'the switch cannot withstand it' => [['ats' => ['withstand_ka' => 21]], ['withstand-exceeded ats stop'], []];
        yield 'the current at the switch itself' => [['ats' => ['withstand_ka' => 21, 'fault_ka' => 20]], [], ['withstand-exceeded']];
        yield 'tested with what, nobody knows' => [['ats' => ['withstand_basis' => null]], ['withstand-basis-unknown ats note'], []];
        yield 'tested with any breaker' => [
            ['ats' => ['withstand_basis' => 'any_breaker']],
            ['withstand-needs-instantaneous ats note'],
            [],
        ];
        yield 'the wrong fuse' => [
            ['ats' => ['withstand_basis' => 'fuse', 'withstand_device_ok' => false]],
            ['withstand-device-wrong ats stop'],
            ['withstand-device-unconfirmed'],
        ];
        yield 'nobody looked' => [
            ['ats' => ['withstand_device_ok' => null]],
            ['withstand-device-unconfirmed ats warn'],
            ['withstand-device-wrong'],
        ];
        yield 'without a rating there is no basis' => [
            ['ats' => ['withstand_ka' => null, 'withstand_basis' => null, 'rating_marked' => false]],
            ['withstand-unknown ats note'],
            ['withstand-basis-unknown', 'switch-marking-missing'],
        ];
        yield 'not marked' => [['ats' => ['rating_marked' => false]], ['switch-marking-missing ats warn'], []];
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, list<string>, list<string>}> */
    public static function classes(): iterable
    {
        $facts = [
            'listed' => true,
            'electrically_held' => false,
            'start_circuit_supervised' => true,
            'selective_coordination' => true,
            'only_class_loads' => true,
            'wiring_separate' => true, 'temporary_source_point' => true,
        ];
        $of = static fn(string $class, array $more = []): array => ['ats' => $more + $facts + ['system_class' => $class]];
        $open = ['class-facts-open'];
        yield 'an emergency system that has all' => [$of('emergency'), [], [...$open, 'not-listed-for-class', 'not-automatic-for-class']];
        yield 'not listed' => [$of('emergency', ['listed' => false]), ['not-listed-for-class ats stop'], []];
        yield 'not listed for an optional one' => [$of('optional', ['listed' => false]), ['not-listed-for-class ats warn'], []];
        yield 'not listed where no class is declared' => [$of('none', ['listed' => false]), [], ['not-listed-for-class']];
        yield 'electrically held' => [
            $of('legally_required', ['electrically_held' => true]),
            ['electrically-held-not-allowed ats stop'],
            [],
        ];
        yield 'electrically held, optional' => [$of('optional', ['electrically_held' => true]), [], ['electrically-held-not-allowed']];
        yield 'by hand' => [$of('emergency', ['kind' => 'changeover_handle']), ['not-automatic-for-class ats stop'], []];
        yield 'start circuit, emergency' => [
            $of('emergency', ['start_circuit_supervised' => false]),
            ['start-circuit-unsupervised ats stop'],
            [],
        ];
        yield 'start circuit, legally required' => [
            $of('legally_required', ['start_circuit_supervised' => false]),
            ['start-circuit-unsupervised ats warn'],
            [],
        ];
        yield 'not selective' => [
            $of('legally_required', ['selective_coordination' => false]),
            ['not-selectively-coordinated ats stop'],
            [],
        ];
        yield 'mixed loads' => [$of('emergency', ['only_class_loads' => false]), ['class-loads-mixed ats stop'], []];
        yield 'mixed loads, legally required' => [$of('legally_required', ['only_class_loads' => false]), [], ['class-loads-mixed']];
        yield 'mixed wiring' => [$of('emergency', ['wiring_separate' => false]), ['wiring-not-separate ats stop'], []];
        yield 'no temporary source' => [$of('emergency', ['temporary_source_point' => false]), ['no-temporary-source-point ats warn'], []];
        yield 'a fact that nobody declared' => [$of('emergency', ['wiring_separate' => null]), ['class-facts-open ats note'], []];
        yield 'a fact that this class does not ask' => [$of('legally_required', ['wiring_separate' => null]), [], $open];
        yield 'closed transition' => [
            ['ats' => ['transition' => 'closed']],
            ['closed-transition ats note', 'closed-transition-no-agreement ats stop'],
            [],
        ];
        yield 'closed transition, agreed' => [
            ['ats' => ['transition' => 'closed', 'utility_agreement' => true]],
            ['closed-transition ats note'],
            ['closed-transition-no-agreement'],
        ];
        yield 'overlapping neutral' => [
            ['ats' => ['neutral' => 'overlapping']],
            ['overlapping-neutral ats note', 'poles-too-few ats stop'],
            [],
        ];
        yield 'overlapping neutral with its pole' => [
            ['ats' => ['neutral' => 'overlapping', 'poles' => 4]],
            [],
            ['poles-too-few', 'poles-spare'],
        ];
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, list<string>, list<string>}> */
    public static function protections(): iterable
    {
        $all = ['gfp-required', 'gfp-not-stated'];
        yield 'nobody looked for ground-fault protection' => [[], ['gfp-not-stated sd note'], ['gfp-required', 'gfp-with-solid-neutral']];
        yield 'there is no such protection' => [['sd' => ['gfp' => false]], ['gfp-required sd stop'], ['gfp-not-stated']];
        yield 'below 1000 A' => [['sd' => ['gfp' => false, 'rating_a' => 999]], [], $all];
        yield 'below 150 V to ground' => [['sd' => ['gfp' => false], 'top' => ['volts_ll' => 208]], [], $all];
        yield 'above 1000 V' => [['sd' => ['gfp' => false], 'top' => ['volts_ll' => 4160]], [], $all];
        yield 'voltage not said' => [['sd' => ['gfp' => false], 'top' => ['volts_ll' => null]], [], $all];
        yield 'it is there, and the neutral is solid' => [['sd' => ['gfp' => true]], ['gfp-with-solid-neutral ats warn'], $all];
        yield 'there is one, and the neutral is switched' => [
            ['sd' => ['gfp' => true], 'ats' => ['neutral' => 'switched', 'poles' => 4]],
            [],
            ['gfp-with-solid-neutral'],
        ];
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, list<string>, list<string>}> */
    public static function services(): iterable
    {
        $facts = [
            'dwelling' => true,
            'emergency_disconnect' => true,
            'emergency_disconnect_marked' => true,
            'surge_device' => true,
            'intersystem_bond' => true,
            'source_sign' => true, 'grounding_sign' => true, 'working_space' => true, 'inspection_release' => true,
        ];
        $of = static fn(array $more): array => ['top' => ['facts' => $more + $facts], 'ats' => ['service_rated' => true, 'main_a' => 1200]];
        yield 'all there' => [$of([]), [], ['service-facts-open']];
        yield 'nobody asked' => [[], [], ['service-facts-open']];
        $missing = [
            'emergency_disconnect' => 'emergency-disconnect-missing warn',
            'emergency_disconnect_marked' => 'emergency-disconnect-unmarked warn',
            'surge_device' => 'surge-device-missing warn',
            'intersystem_bond' => 'intersystem-bond-missing warn',
            'source_sign' => 'source-sign-missing warn',
            'grounding_sign' => 'grounding-sign-missing warn',
            'working_space' => 'working-space-short stop',
            'inspection_release' => 'inspection-release-open warn',
        ];
        foreach ($missing as $fact => $told) {
            yield "no $fact" => [$of([$fact => false]), [$told], ['service-facts-open']];
        }
        yield 'a workshop needs no surge device' => [$of(['dwelling' => false, 'surge_device' => false]), [], ['surge-device-missing']];
        yield 'a disconnect that is not there cannot be unmarked' => [
            $of(['emergency_disconnect' => false, 'emergency_disconnect_marked' => false]),
            [],
            ['emergency-disconnect-unmarked'],
        ];
        yield 'an open question' => [$of(['working_space' => null]), ['service-facts-open note'], []];
        yield 'an open question of dwellings only' => [$of(['dwelling' => false, 'surge_device' => null]), [], ['service-facts-open']];
        yield 'no emergency stop' => [['gen' => ['emergency_stop' => false]], ['generator-emergency-stop-missing gen warn'], []];
    }

    /** @param array<string, array<string, mixed>> $patches */
    #[Test, DataProvider('faults')]
    public function the_first_fault_in_order_is_named(array $patches, string $path): void
    {
        try {
            (new Calculations())->calc('topology', Node::fromArray(self::drawing($patches)));
            self::fail('This drawing is bad.');
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, string}> */
    public static function faults(): iterable
    {
        yield 'an emergency stop at a utility' => [['util' => ['emergency_stop' => true]], '/elements/0/emergency_stop'];
        yield 'a series combination without the panel\'s own rating' => [
            ['p' => ['aic_ka' => null, 'series_ka' => 22]],
            '/elements/4/aic_ka',
        ];
        yield 'a breaker before what the panel lacks' => [
            ['p' => ['service' => true, 'main_a' => null, 'breakers' => [['poles' => 7]]]],
            '/elements/4/breakers/0/poles',
        ];
        yield 'a fact that is no fact' => [['top' => ['facts' => ['dwelling' => 'yes']]], '/facts/dwelling'];
        yield 'volts before facts' => [['top' => ['facts' => 1, 'volts_ll' => 0]], '/volts_ll'];
    }
}

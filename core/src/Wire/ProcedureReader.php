<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Commissioning\Procedure\BondPlaces;
use Escapement\Core\Commissioning\Procedure\Isolation;
use Escapement\Core\Commissioning\Procedure\IsolationPoints;
use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Procedure\Stage;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\Service\ServiceWork;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\ObjectNode;
use Escapement\Core\Input\Texts;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Topology\OutageTestPoint;
use Escapement\Core\Topology\OutageTestPointInput;
use Escapement\Core\Wire\Topology\OneLineReader;

/**
 * `calc procedure`: {"kind", "topology"?, "names"?, "surveyed"?, "isolation"?, "settings", "system", "options"?, "install"?, "panel"?,
 * "answered"?}
 * → {"stages", "reopened"}.
 *
 * `surveyed` names the device of the outage test, `isolation` who opens upstream of the work and whether an inspection is asked for.
 * `answered` holds what each recorded answer was given to, by step: its `expected`, or its words. What is asked differently now
 * is open again; other words for it are no other question.
 */
final readonly class ProcedureReader implements Reader
{
    /** The order of landing in a large enclosure is long. */
    private const MOST_CHARACTERS = 6000;
    private const NOT_ASKED = 'not_asked';

    /** Plug-in boxes and vehicles: their sets are portables, with a mechanical governor. */
    private const PORTABLE = ['K4', 'K5', 'K6'];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        $object = $node->object();
        $answered = self::answered(Texts::map($object->optional('answered'), self::MOST_CHARACTERS));
        $procedure = $this->procedure($object);
        $stages = [];
        foreach ($procedure->stages() as $id => $steps) {
            $stages[] = [
                'id' => $id,
                'title' => Stage::from($id)->title(),
                'steps' => array_map(static fn(Step $step): array => $step->toArray(), $steps),
            ];
        }

        return ['stages' => $stages, 'reopened' => $procedure->reopened($answered), 'findings' => [], 'working' => []];
    }

    /**
     * @param array<string, string> $given
     *
     * @return list<JudgedAnswer>
     */
    private static function answered(array $given): array
    {
        $answers = [];
        foreach ($given as $step => $then) {
            $isData = preg_match('/^(v\d+( |$)|band |window )/', $then) === 1;
            $answers[] = new JudgedAnswer((string) $step, $then, Verdict::AsExpected, $isData ? $then : null);
        }

        return $answers;
    }

    /** @throws BadInput */
    public function procedure(ObjectNode $object): Procedure
    {
        $kind = $object->required('kind')->oneOf(array_column(InstallationKind::cases(), 'value'));
        $plant = (new PlantReader())->plant($object->required('system'));
        $settings = (new SettingsReader())->settings($object->required('settings'), $plant);
        $topology = $object->optional('topology');
        $names = Texts::map($object->optional('names'), self::MOST_CHARACTERS);
        $options = $object->optional('options');
        $install = $object->optional('install');
        [$device, $label] = OutageTestPointReader::surveyed($object->optional('surveyed'));
        $isolation = $object->optional('isolation');
        $edition = $object->optional('edition')?->integer(1, ProcedureOptions::EDITION) ?? ProcedureOptions::EDITION;
        $bondPlaces = $object->optional('bond_places');
        $panel = $object->optional('panel');
        $object->close();
        $drawing = $topology === null ? null : (new OneLineReader())->whole($topology);

        return new Procedure(
            $kind,
            $plant,
            $settings,
            $this->options(new Fields($options ?? new Node(new \stdClass(), '/options')), $kind, $edition),
            $drawing === null ? null : IsolationPoints::of($drawing, $names),
            $install === null ? null : (new InstallationReader())->work($install, $names),
            (new OutageTestPoint())->decide(new OutageTestPointInput($drawing, $names, $device, $label)),
            $isolation === null ? Isolation::general() : $this->isolation(new Fields($isolation)),
            bondPlaces: $bondPlaces === null ? null : $this->bondPlaces(new Fields($bondPlaces)),
            panel: $panel === null ? null : (new PanelWorkReader())->work($panel, $plant, $settings),
        );
    }

    /**
     * What a run keeps says of the work; one from before an edition, or before the supply upstream was asked for, is read as
     * it was made.
     */
    public static function asBegun(Node $work): Node
    {
        $kept = get_object_vars((object) $work->value);

        return new Node((object) ($kept + ['edition' => 1, 'isolation' => (object) ['upstream' => self::NOT_ASKED]]), $work->path);
    }

    private function isolation(Fields $in): Isolation
    {
        $words = [...array_column(Upstream::cases(), 'value'), 'not_known', self::NOT_ASKED];
        $upstream = $in->oneOf('upstream', $words, 'not_known');
        $second = $in->maybeOneOf('second', [...array_column(Upstream::cases(), 'value'), 'not_known']);
        $inspection = $in->oneOf('inspection', ['yes', 'no', 'not_known'], 'not_known');
        $in->close();
        if ($upstream === self::NOT_ASKED) {
            return Isolation::notAsked();
        }

        return Isolation::surveyed(
            [Upstream::tryFrom($upstream), ...($second === null ? [] : [Upstream::tryFrom($second)])],
            ['yes' => true, 'no' => false, 'not_known' => null][$inspection],
        );
    }

    private static function service(Fields $in): ?ServiceWork
    {
        $fields = $in->maybeObject('service');
        if ($fields === null) {
            return null;
        }
        $work = new ServiceWork($fields->bool('engine', true), $fields->bool('enclosure', false), array_map(
            static fn(Node $one): string => $one->text(40),
            $fields->maybeList('items', 0, 40) ?? [],
        ));
        $fields->close();

        return $work;
    }

    private function bondPlaces(Fields $in): BondPlaces
    {
        $in->only(['sub_panels', 'bond_place']);
        $panels = $in->each('sub_panels', 0, 40, static fn(Fields $one): array => [
            'id' => $one->only(['id', 'name'])->text('id', 40), 'name' => $one->text('name', 120),
        ]);

        return new BondPlaces($panels, $in->maybeText('bond_place', 120));
    }

    private function options(Fields $in, string $kind, int $edition): ProcedureOptions
    {
        $isPortable = $edition > 1 && in_array($kind, self::PORTABLE, true);
        $governor = $in->oneOf('governor', ['isochronous', 'droop'], $isPortable ? 'droop' : 'isochronous');
        $options = new ProcedureOptions(
            $in->bool('bait', true),
            $in->bool('manual_transfer', false),
            $in->bool('load_bank', false),
            $in->bool('owner_present', true),
            $in->bool('photos', true),
            $governor === 'droop',
            $in->maybeNumber('utility_v_pct', 0, 50, aboveMin: true),
            $in->number('generator_v_pct', 0, 50, $isPortable ? 10.0 : 5.0, aboveMin: true),
            $in->number('battery_v', 1, 100, 12.0),
            $in->maybeNp('leg_a'),
            $in->bool('burns_gas', false),
            array_map(static fn(Node $one): string => $one->text(64), $in->maybeList('must_run', 0, 200) ?? []),
            $in->bool('contact_drop', false) || $in->bool('contact_resistance', false),
            $in->bool('test_button', false),
            $in->bool('contact_test_points', false),
            $in->maybeNp('switch_a'),
            $in->oneOf('system_class', ['none', 'optional', 'legally_required', 'emergency'], 'none'),
            $in->bool('other_signals', false),
            $in->bool('bypass', false),
            $edition,
            $in->bool('bank', false),
            $in->maybeN0('bank_reconnect_s'),
            self::service($in),
        );
        $in->close();

        return $options;
    }
}

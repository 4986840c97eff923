<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Commissioning\Procedure\Isolation;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Procedure\Stage;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\Surroundings;
use Escapement\Core\Survey\Upstream;
use Escapement\Core\Template\InstallationKind;
use Escapement\Core\Topology\OneLineReader;
use Escapement\Core\Topology\OutageTestPoint;
use Escapement\Core\Topology\OutageTestPointInput;

/**
 * `calc procedure`: {"kind", "topology"?, "names"?, "surveyed"?, "isolation"?, "settings", "system", "options"?, "install"?, "answered"?}
 * → {"stages", "reopened"}.
 *
 * `surveyed` names the device of the outage test, `isolation` who opens upstream of the work and whether an inspection is asked for.
 * `answered` holds the expectation that each recorded answer was given to, by step: what is asked differently now is open again.
 */
final readonly class ProcedureReader
{
    /** The order of landing in a large enclosure is long. */
    private const MOST_CHARACTERS = 6000;
    private const NOT_ASKED = 'not_asked';

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $input): array
    {
        $object = $input->object();
        $answered = Texts::map($object->optional('answered'), self::MOST_CHARACTERS);
        $procedure = $this->procedure($object);
        $stages = [];
        foreach ($procedure->stages() as $id => $steps) {
            $stages[] = ['id' => $id, 'title' => Stage::from($id)->title(), 'steps' => array_map(static fn(Step $step): array => $step->toArray(), $steps)];
        }

        return ['stages' => $stages, 'reopened' => $procedure->reopened($answered), 'findings' => [], 'working' => []];
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
        $object->close();
        $drawing = $topology === null ? null : (new OneLineReader())->whole($topology);

        return new Procedure(
            $kind,
            $plant,
            $settings,
            $options === null ? new ProcedureOptions() : $this->options(new Fields($options)),
            $drawing === null ? null : Surroundings::of($drawing, $names),
            $install === null ? null : (new InstallReader())->work($install, $names),
            (new OutageTestPoint())->decide(new OutageTestPointInput($drawing, $names, $device, $label)),
            $isolation === null ? Isolation::general() : $this->isolation(new Fields($isolation)),
        );
    }

    /** What a run keeps says of the work; one from before the supply upstream was asked for is read as it was made. */
    public static function asBegun(Node $work): Node
    {
        $kept = get_object_vars((object) $work->value);

        return new Node((object) ($kept + ['isolation' => (object) ['upstream' => self::NOT_ASKED]]), $work->path);
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

    private function options(Fields $in): ProcedureOptions
    {
        $governor = $in->oneOf('governor', ['isochronous', 'droop'], 'isochronous');
        $options = new ProcedureOptions(
            $in->bool('bait', true),
            $in->bool('manual_transfer', false),
            $in->bool('load_bank', false),
            $in->bool('owner_present', true),
            $in->bool('photos', true),
            $governor === 'droop',
            $in->number('utility_v_pct', 0, 50, 10.0, aboveMin: true),
            $in->number('generator_v_pct', 0, 50, 5.0, aboveMin: true),
            $in->number('battery_v', 1, 100, 12.0),
            $in->maybeNp('leg_a'),
            $in->bool('burns_gas', false),
            array_map(static fn(Node $one): string => $one->text(64), $in->maybeList('must_run', 0, 200) ?? []),
            $in->bool('contact_drop', false),
            $in->bool('test_button', false),
        );
        $in->close();

        return $options;
    }
}

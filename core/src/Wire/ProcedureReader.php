<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Procedure\Stage;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\Surroundings;
use Escapement\Core\Template\InstallationKind;
use Escapement\Core\Topology\OneLineReader;

/**
 * `calc procedure`: {"kind", "topology"?, "names"?, "settings", "system", "options"?, "install"?, "answered"?} → {"stages", "reopened"}.
 *
 * `answered` holds the expectation that each recorded answer was given to, by step: what is asked differently now is open again.
 */
final readonly class ProcedureReader
{
    /** The order of landing in a large enclosure is long. */
    private const MOST_CHARACTERS = 6000;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $input): array
    {
        $object = $input->object();
        $answered = $this->texts($object->optional('answered'));
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
        $names = $this->texts($object->optional('names'));
        $options = $object->optional('options');
        $install = $object->optional('install');
        $object->close();

        return new Procedure(
            $kind,
            $plant,
            $settings,
            $options === null ? new ProcedureOptions() : $this->options(new Fields($options)),
            $topology === null ? null : Surroundings::of((new OneLineReader())->whole($topology), $names),
            $install === null ? null : (new InstallReader())->work($install, $names),
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

    /** @return array<string, string> */
    private function texts(?Node $node): array
    {
        if ($node === null) {
            return [];
        }
        $node->object();
        $texts = [];
        foreach (get_object_vars((object) $node->value) as $key => $value) {
            $texts[(string) $key] = $node->at((string) $key, $value)->text(self::MOST_CHARACTERS);
        }

        return $texts;
    }
}

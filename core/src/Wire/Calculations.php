<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Settings\Change;
use Escapement\Core\Settings\Check\SettingsCheck;
use Escapement\Core\Settings\SettingsDiff;

/** Every calculation by the name it has on the command line: one decoded object in, one out. */
final readonly class Calculations
{
    public const NAMES = ['settings_check', 'settings_diff', 'settings_compare', 'timing_verdict'];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function rehearse(Node $input): array
    {
        return Rehearsal::play((new ScenarioReader())->scenario($input))->toArray();
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function calc(string $name, Node $input): array
    {
        return match ($name) {
            'settings_check' => (new SettingsCheck())->check((new CheckReader())->input($input))->toArray(),
            'settings_diff' => $this->settingsDiff($input),
            'settings_compare' => (new CompareReader())->comparison($input)->compare(),
            'timing_verdict' => $this->timingVerdict($input),
            default => throw new BadInput('', "There is no calculation \"$name\". There are: " . implode(', ', self::NAMES) . '.'),
        };
    }

    /**
     * One line of `calc --lines`: {"calc", "input"}.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function calcLine(Node $line): array
    {
        $object = $line->object();
        $name = $object->required('calc')->oneOf(self::NAMES);
        $input = $object->required('input');
        $object->close();

        return $this->calc($name, new Node($input->value));
    }

    /** @return array<string, mixed> */
    private function settingsDiff(Node $input): array
    {
        $object = $input->object();
        $reader = new SettingsReader();
        $from = $reader->settings($object->required('from'), null);
        $to = $reader->settings($object->required('to'), null);
        $object->close();
        $changes = (new SettingsDiff())->compare($from, $to);

        return ['changes' => array_map(static fn(Change $change): array => $change->toArray(), $changes), 'findings' => [], 'working' => []];
    }

    /** @return array<string, mixed> */
    private function timingVerdict(Node $input): array
    {
        $object = $input->object();
        $plant = (new PlantReader())->plant($object->required('system'));
        $settings = (new SettingsReader())->settings($object->required('settings'), $plant);
        $marks = array_map(self::mark(...), $object->required('marks')->list(0, 10_000));
        $reactionMs = $object->optional('reaction_ms')?->integer(0, 60_000) ?? 500;
        $object->close();

        return (new TimingVerdict($plant, $settings, $reactionMs))->judge($marks)->toArray();
    }

    private static function mark(Node $node): Mark
    {
        $object = $node->object();
        $mark = new Mark(
            $object->required('event')->enum(MarkEvent::class),
            $object->required('at_ms')->ms(),
            $object->optional('id')?->text(),
            $object->optional('undone')?->bool() ?? false,
        );
        $object->close();

        return $mark;
    }
}

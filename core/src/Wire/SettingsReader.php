<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\Exercise;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\Transition;

/** Reads a settings sheet. Rule: docs/rules.md#source-rating. */
final readonly class SettingsReader
{
    /**
     * @param ?Plant $plant null for a sheet read alone: then nothing that depends on the plant is asked for or refused
     *
     * @throws BadInput
     */
    public function settings(Node $node, ?Plant $plant): Settings
    {
        $object = $node->object();
        $mayMiss = $plant === null || $plant->kind === PlantKind::Mobile;
        $delays = [];
        foreach (['start_delay_ms', 'return_delay_ms', 'cooldown_ms'] as $key) { // those that are missing come first
            $delays[] = $mayMiss ? $object->optional($key) : $object->required($key);
        }
        $sensing = $object->required('sensing')->object();
        $normal = $this->sensing($sensing->required('normal'), $plant === null || $plant->normal->isThreePhase());
        $emergency = $this->sensing($sensing->required('emergency'), $plant === null || $plant->emergency->isThreePhase());
        $sensing->close();
        [$startMs, $returnMs, $cooldownMs] = array_map(static fn(?Node $delay): ?int => $delay?->ms(), $delays);
        $settings = new Settings(
            $normal,
            $emergency,
            $startMs,
            $object->required('transfer_delay_ms')->ms(),
            $returnMs,
            $cooldownMs,
            $object->optional('min_run_ms')?->ms() ?? 0,
            $object->optional('transition')?->enum(Transition::class) ?? Transition::Open,
            $object->optional('travel_ms')?->ms() ?? 100,
            $object->optional('off_delay_ms')?->ms() ?? 0,
            $object->optional('commit_to_transfer')?->bool() ?? false,
            ($exercise = $object->nullable('exercise')) === null ? null : $this->exercise($exercise, $plant),
            ($shed = $object->nullable('load_shed')) === null ? null : $this->loadShed($shed),
        );
        $object->close();

        return $settings;
    }

    private function sensing(Node $node, bool $isThreePhase): Sensing
    {
        $object = $node->object();
        $refuse = static fn(?Node $given, string $what): bool => $given !== null && ! $isThreePhase
            && throw $given->bad("Only a three-phase source can be watched for $what.");
        $limits = [$this->limit($object->required('under_voltage'), pickupAbove: true)];
        foreach (['over_voltage', 'under_frequency', 'over_frequency', 'unbalance'] as $key) {
            $given = $object->nullable($key);
            $refuse($key === 'unbalance' ? $given : null, 'unbalance');
            $limits[] = $given === null ? null : $this->limit($given, pickupAbove: $key === 'under_frequency');
        }
        $rotation = $object->optional('rotation_check');
        $isChecked = $rotation !== null && $rotation->bool();
        $refuse($isChecked ? $rotation : null, 'rotation');
        $sensing = new Sensing(...[...$limits, $isChecked, $object->optional('dropout_delay_ms')?->ms() ?? 0]);
        $object->close();

        return $sensing;
    }

    private function limit(Node $node, bool $pickupAbove): Limit
    {
        $object = $node->object();
        $dropout = $object->required('dropout_pct')->number(1, 200);
        $pickupNode = $object->required('pickup_pct');
        $pickup = $pickupNode->number(1, 200);
        $object->close();
        if ($pickupAbove ? ! ($pickup > $dropout) : ! ($pickup < $dropout)) {
            $word = $pickupAbove ? 'above' : 'below';

            throw $pickupNode->bad("Pick-up must be $word drop-out. $pickup % is not $word $dropout %.");
        }

        return new Limit($dropout, $pickup);
    }

    private function exercise(Node $node, ?Plant $plant): Exercise
    {
        if ($plant?->kind === PlantKind::Mobile) {
            throw $node->bad('A mobile relay has no controller that could run an exercise.');
        }
        $object = $node->object();
        $exercise = new Exercise(
            $object->required('first_at_ms')->ms(),
            $object->required('every_ms')->ms(1),
            $object->required('for_ms')->ms(),
            $object->required('with_load')->bool(),
        );
        $object->close();

        return $exercise;
    }

    private function loadShed(Node $node): LoadShedding
    {
        $object = $node->object();
        $loadShed = new LoadShedding(
            $object->required('limit_kw')->number(0, 100_000),
            $object->required('first_step_ms')->ms(),
            $object->required('step_ms')->ms(1),
            $object->required('overload_ms')->ms(),
            $object->required('lockout_ms')->ms(),
        );
        $object->close();

        return $loadShed;
    }
}

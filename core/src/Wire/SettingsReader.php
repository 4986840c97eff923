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
        $sensing = $object->required('sensing')->object();
        $normal = $this->sensing($sensing->required('normal'), $plant === null || $plant->normal->isThreePhase());
        $emergency = $this->sensing($sensing->required('emergency'), $plant === null || $plant->emergency->isThreePhase());
        $sensing->close();

        $mayMiss = $plant === null || $plant->kind === PlantKind::Mobile;
        $delay = static fn(string $key): ?int
            => ($mayMiss ? $object->optional($key) : $object->required($key))?->ms();
        $exercise = null;
        $settings = new Settings(
            $normal,
            $emergency,
            $delay('start_delay_ms'),
            $object->required('transfer_delay_ms')->ms(),
            $delay('return_delay_ms'),
            $delay('cooldown_ms'),
            $object->optional('min_run_ms')?->ms() ?? 0,
            $object->optional('transition')?->enum(Transition::class) ?? Transition::Open,
            $object->optional('travel_ms')?->ms() ?? 100,
            $object->optional('off_delay_ms')?->ms() ?? 0,
            $object->optional('commit_to_transfer')?->bool() ?? false,
            ($exercise = $object->nullable('exercise')) === null ? null : $this->exercise($exercise),
            ($shed = $object->nullable('load_shed')) === null ? null : $this->loadShed($shed),
        );
        $object->close();
        if ($exercise !== null && $plant?->kind === PlantKind::Mobile) {
            throw $exercise->bad('A mobile relay has no controller that could run an exercise.');
        }

        return $settings;
    }

    private function sensing(Node $node, bool $isThreePhase): Sensing
    {
        $object = $node->object();
        $sensing = new Sensing(
            $this->limit($object->required('under_voltage'), pickupAbove: true),
            ($over = $object->nullable('over_voltage')) === null ? null : $this->limit($over, pickupAbove: false),
            ($underHz = $object->nullable('under_frequency')) === null ? null : $this->limit($underHz, pickupAbove: true),
            ($overHz = $object->nullable('over_frequency')) === null ? null : $this->limit($overHz, pickupAbove: false),
            ($unbalance = $object->nullable('unbalance')) === null ? null : $this->limit($unbalance, pickupAbove: false),
            ($rotation = $object->optional('rotation_check')) !== null && $rotation->bool(),
            $object->optional('dropout_delay_ms')?->ms() ?? 0,
        );
        $object->close();
        if (! $isThreePhase && $unbalance !== null) {
            throw $unbalance->bad('Only a three-phase source can be watched for unbalance.');
        }
        if (! $isThreePhase && $rotation !== null && $sensing->rotationCheck) {
            throw $rotation->bad('Only a three-phase source can be watched for rotation.');
        }

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

    private function exercise(Node $node): Exercise
    {
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

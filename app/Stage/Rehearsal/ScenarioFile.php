<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Models\Scenario;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Plant;

/** A kept scenario as a file, by the published schema `scenario`, and on the voltage of another site. */
final readonly class ScenarioFile
{
    public const FORMAT = 'escapement/scenario/1';

    /** @return array<string, mixed> */
    public function write(Scenario $scenario): array
    {
        return [
            'format' => self::FORMAT, 'name' => $scenario->name, 'teaches' => $scenario->teaches,
            'supply' => ['phases' => $scenario->phases, 'nominal_v' => $scenario->nominal_v, 'nominal_hz' => $scenario->nominal_hz],
            'events' => $scenario->events,
        ];
    }

    /**
     * @return array{name: string, teaches: ?string, phases: int, nominal_v: float, nominal_hz: float, events: list<array<string, mixed>>}
     *
     * @throws BadInput
     */
    public function read(string $json): array
    {
        $object = Node::fromJson($json)->object();
        $object->required('format')->oneOf([self::FORMAT]);
        $name = $object->required('name')->text(80);
        $teaches = $object->nullable('teaches')?->text(250);
        $supply = $object->required('supply')->object();
        $phases = $supply->required('phases')->integer(1, 3);
        $nominalV = (float) $supply->required('nominal_v')->number(0, 1_000_000, aboveMin: true);
        $nominalHz = (float) $supply->required('nominal_hz')->number(0, 1000, aboveMin: true);
        $supply->close();
        $events = [];
        foreach ($object->required('events')->list(0, 20_000) as $node) {
            $node->object()->required('do');
            /** @var array<string, mixed> $event */
            $event = json_decode(json_encode($node->value, JSON_THROW_ON_ERROR), true, 16, JSON_THROW_ON_ERROR);
            $events[] = $event;
        }
        $object->close();

        return [
            'name' => $name,
            'teaches' => $teaches,
            'phases' => $phases,
            'nominal_v' => $nominalV,
            'nominal_hz' => $nominalHz,
            'events' => $events,
        ];
    }

    /**
     * The events at the nominal voltage and frequency of another plant: a sag to 60 % stays one.
     *
     * @return list<array<string, mixed>>
     */
    public function scaled(Scenario $scenario, Plant $plant): array
    {
        $volts = $plant->normal->nominalV / $scenario->nominal_v;
        $hertz = $plant->normal->nominalHz / $scenario->nominal_hz;
        $times = static fn(mixed $value, float $factor): mixed => is_int($value)
            || is_float($value) ? ($factor == 1.0 ? $value : round($value * $factor, 4)) : $value;

        return array_map(static function (array $event) use ($volts, $hertz, $times, $plant, $scenario): array {
            if (isset($event['v'])) {
                $v = is_array($event['v']) ? array_map(
                    static fn(mixed $one): mixed => $times($one, $volts),
                    $event['v'],
                ) : $times($event['v'], $volts);
                $event['v'] = is_array($v) && $scenario->phases !== $plant->normal->phases && count(array_unique($v)) === 1 ? $v[0] : $v;
            }
            if (isset($event['hz'])) {
                $event['hz'] = $times($event['hz'], $hertz);
            }

            return $event;
        }, $scenario->events);
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\Reading;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;
use Escapement\Core\Simulation\Units;

/** Every event with every reason that it can have: its keys, its words, and what it does to the state. */
final class GoldenEvents
{
    private const MILLISECONDS = 1500;

    /** @return array<string, array<string, mixed>> by class and what it was made of */
    public static function golden(): array
    {
        $golden = [];
        foreach ((array) glob(dirname(__DIR__, 2) . '/src/Simulation/Event/*.php') as $file) {
            $class = 'Escapement\Core\Simulation\Event\\' . basename((string) $file, '.php');
            foreach (self::made(new \ReflectionClass($class)) as $of => $event) {
                $golden[basename((string) $file, '.php') . $of] = self::told($event);
            }
        }

        return $golden;
    }

    /** @return array<string, mixed> */
    private static function told(Event $event): array
    {
        $plant = (new SheetTemplate(InstallationKind::WholeHouse))->plant();
        $names = SourceNames::of($plant);
        $state = new SystemState($plant, Side::Normal);
        $before = get_object_vars($state);
        $event->change($state);
        $changed = array_filter(
            get_object_vars($state),
            static fn(mixed $now, string $key): bool => $now !== $before[$key] && (! is_array($now) || ! is_object(current($now))),
            ARRAY_FILTER_USE_BOTH,
        );

        return [
            'kind' => $event->kind()->value, 'keys' => $event->keys(), 'detail' => $event->detail(),
            'headline' => $event->headline($names), 'because' => $event->because($names),
            'changed' => array_map(static fn(mixed $one): mixed => $one instanceof \UnitEnum ? $one->name : $one, $changed),
        ];
    }

    /**
     * @param \ReflectionClass<object> $class
     *
     * @return iterable<string, Event>
     */
    private static function made(\ReflectionClass $class): iterable
    {
        $sets = [[]];
        foreach ($class->getConstructor()?->getParameters() ?? [] as $parameter) {
            $longer = [];
            foreach ($sets as $set) {
                foreach (self::values($parameter) as $value) {
                    $longer[] = [...$set, $value];
                }
            }
            $sets = $longer;
        }
        foreach ($sets as $set) {
            $event = $class->newInstance(...$set);
            $words = array_map(self::word(...), array_slice($set, 1));
            yield rtrim(' ' . implode(', ', array_filter($words, is_string(...)))) => $event instanceof Event ? $event
                : throw new \LogicException("{$class->name} is no event.");
        }
    }

    private static function word(mixed $value): ?string
    {
        return match (true) {
            $value instanceof \UnitEnum => $value->name,
            is_bool($value) => $value ? 'yes' : 'no',
            $value === null => 'none',
            is_string($value) => $value,
            default => null,
        };
    }

    /** @return list<mixed> */
    private static function values(\ReflectionParameter $parameter): array
    {
        $name = $parameter->getName();
        $type = $parameter->getType();
        $types = $type instanceof \ReflectionUnionType ? $type->getTypes() : [$type];
        $word = $types[0] instanceof \ReflectionNamedType ? $types[0]->getName() : '';
        $values = match (true) {
            enum_exists($word) => $word::cases(),
            $word === Reading::class => [new Reading([118 * Units::SIGNAL, 119 * Units::SIGNAL], 1, 60 * Units::SIGNAL, 1)],
            $word === 'bool' => [false, true],
            $word === 'string' => ['auto', 'off'],
            $name === 'phase' => [1],
            $name === 'attempt', $name === 'attempts' => [3],
            default => [self::MILLISECONDS],
        };

        return $type?->allowsNull() === true ? [null, ...$values] : $values;
    }
}

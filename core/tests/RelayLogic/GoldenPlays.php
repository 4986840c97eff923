<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\Play\ReadyStories;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\RelayCheckReader;

/** What the circuits of the cases do in time, and because of what, as it is read on the page. */
final class GoldenPlays
{
    /** @return iterable<string, \stdClass> the input of `relay_play` */
    public static function all(): iterable
    {
        foreach (CaseFile::read('panel') as $name => [$case]) {
            if ($case->calc === 'relay_play' && ! isset($case->expect->error)) {
                yield (string) $name => $case->input;
            }
        }
    }

    /** @return array<string, list<string>> */
    public static function golden(): array
    {
        $golden = array_map(self::told(...), iterator_to_array(self::all()));
        foreach (array_keys(StandardCircuits::all()) as $key) {
            $golden["stories of $key"] = self::stories((string) $key);
        }

        return $golden;
    }

    /** @return list<string> what each of the stories that stand ready for a standard circuit comes to */
    public static function stories(string $key): array
    {
        $standard = StandardCircuits::all()[$key];
        $circuit = (new RelayCheckReader())->circuit(self::node($standard['circuit']));
        $engines = array_keys(array_filter($standard['supplies'], static fn(array $one): bool => isset($one['engine'])));
        $told = [];
        foreach ((new ReadyStories($circuit, array_map(strval(...), $engines)))->all() as $id => $story) {
            $input = array_intersect_key($story, ['script' => 0, 'until_ms' => 0]);
            $play = CaseFile::asArray((new Calculations())->calc('relay_play', self::node(
                $input + ['circuit' => $standard['circuit'], 'supplies' => (object) $standard['supplies']],
            )));
            $sums = array_intersect_key($play, array_flip(['dark_ms', 'phase_dark_ms', 'covered_by_proof', 'final', 'engines', 'working']));
            $told[] = "$id, {$story['name']}: " . implode(' ', array_column($play['findings'], 'id')) . ' '
                . json_encode($sums, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
        }

        return $told;
    }

    private static function node(mixed $value): Node
    {
        return Node::fromJson(json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    /** @return list<string> */
    public static function told(\stdClass $input): array
    {
        $play = CaseFile::asArray((new Calculations())->calc('relay_play', self::node($input)));
        $told = array_map(static function (array $event): string {
            ['t_ms' => $t, 'kind' => $kind, 'because' => $because] = $event;
            $who = array_diff_key($event, ['t_ms' => 0, 'kind' => 0, 'because' => 0]);

            return "$t $kind " . implode(' ', array_map(strval(...), $who)) . ": $because";
        }, $play['events']);
        foreach ($play['findings'] as $finding) {
            $told[] = implode(' ', array_filter($finding, is_string(...)));
        }

        return $told;
    }
}

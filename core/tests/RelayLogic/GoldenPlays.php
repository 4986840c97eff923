<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;

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
        return array_map(self::told(...), iterator_to_array(self::all()));
    }

    /** @return list<string> */
    public static function told(\stdClass $input): array
    {
        $node = Node::fromJson(json_encode($input, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
        $play = CaseFile::asArray((new Calculations())->calc('relay_play', $node));
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

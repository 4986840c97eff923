<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\Node;

/**
 * What the web exports, as the input of the calculation of that name: a rehearsal, a plan, a settings sheet or a run goes into its
 * command as it was saved. Everything else is passed on as it is.
 */
final readonly class Exported
{
    private const OF_RUN = ['system', 'settings', 'reaction_ms'];
    private const OF_MARK = ['id', 'event', 'at_ms', 'undone'];

    /** @param string $name of a calculation, or `rehearse` */
    public static function input(string $name, Node $node): Node
    {
        $file = $node->value;
        if (! $file instanceof \stdClass) {
            return $node;
        }
        $format = is_string($file->format ?? null) ? $file->format : '';

        return match (true) {
            $name === 'rehearse' && isset($file->input, $file->output) => new Node($file->input),
            $name === 'settings_check' && isset($file->check) && str_starts_with(
                $format,
                'escapement/settings-sheet/',
            ) => new Node($file->check),
            in_array($name, ['topology', 'one_line_layout'], true) && isset($file->topology, $file->bonding) => new Node($file->topology),
            $name === 'bonding' && isset($file->topology, $file->bonding) => new Node($file->bonding),
            in_array($name, ['timing_verdict', 'run_verdict'], true) && str_starts_with($format, 'escapement/run/') => self::run($file),
            default => $node,
        };
    }

    private static function run(\stdClass $file): Node
    {
        $input = new \stdClass();
        foreach (self::OF_RUN as $key) {
            $input->$key = $file->$key ?? null;
        }
        $input->marks = array_map(static function (mixed $mark): \stdClass {
            $kept = new \stdClass();
            foreach (self::OF_MARK as $key) {
                if (is_object($mark) && isset($mark->$key)) {
                    $kept->$key = $mark->$key;
                }
            }

            return $kept;
        }, is_array($file->marks ?? null) ? $file->marks : []);

        return new Node($input);
    }
}

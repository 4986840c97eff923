<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Texts;
use Escapement\Core\Topology\OutageTestPoint;
use Escapement\Core\Topology\OutageTestPointInput;
use Escapement\Core\Wire\Topology\OneLineReader;

/** `calc outage_test_point`: {"topology"?, "names"?, "surveyed"?: {"device"?, "label"?}} → the device to open, or none and why. */
final readonly class OutageTestPointReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new OutageTestPoint())->decide($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): OutageTestPointInput
    {
        $object = $node->object();
        $drawing = $object->optional('topology');
        $names = Texts::map($object->optional('names'), 200);
        $surveyed = $object->optional('surveyed');
        $object->close();
        [$device, $label] = self::surveyed($surveyed);

        return new OutageTestPointInput($drawing === null ? null : (new OneLineReader())->whole($drawing), $names, $device, $label);
    }

    /** @return array{?string, ?string} the reference of the surveyed device, and what it is called */
    public static function surveyed(?Node $node): array
    {
        if ($node === null) {
            return [null, null];
        }
        $surveyed = $node->object();
        $device = $surveyed->optional('device')?->text(64);
        $label = $surveyed->optional('label')?->text(200);
        $surveyed->close();

        return [$device, $label];
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wiring\Box\BoxConductors;
use Escapement\Core\Wiring\Box\BoxDevice;
use Escapement\Core\Wiring\Box\BoxPull;
use Escapement\Core\Wiring\Box\BoxRaceway;
use Escapement\Core\Wiring\Box\BoxSize;
use Escapement\Core\Wiring\Box\BoxVolume;
use Escapement\Core\Wiring\Box\BoxVolumeInput;
use Escapement\Core\Wiring\Box\PullBox;
use Escapement\Core\Wiring\Box\PullBoxInput;
use Escapement\Core\Wiring\Raceways;
use Escapement\Core\Wiring\WiringFields;

/** `pull_box` on the wire: by raceways or by volume. Rule: docs/rules.md#pull-box. */
final readonly class PullBoxReader implements InputReader
{
    private const VOLUME = ['box_volume_in3', 'box', 'conductors', 'egc', 'clamps', 'support_fittings', 'devices', 'egc_rule'];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        $input = $this->input($node);

        return ($input instanceof PullBoxInput ? (new PullBox())->answer($input) : (new BoxVolume())->answer($input))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): PullBoxInput|BoxVolumeInput
    {
        $in = new Fields($node);

        return $in->oneOf('mode', ['raceways', 'volume']) === 'raceways' ? $this->raceways($in) : $this->volume($in);
    }

    private function raceways(Fields $in): PullBoxInput
    {
        $box = $this->box($in->only(['mode', 'box', 'raceways', 'pulls'])->object('box'));
        /** @var non-empty-list<BoxRaceway> $raceways */
        $raceways = $in->each('raceways', 1, 30, $this->raceway(...), isOptional: false, idsLast: true);
        $byId = array_combine(array_map(static fn(BoxRaceway $one): string => $one->id, $raceways), $raceways);
        /** @var non-empty-list<array{string, string, string, bool, ?float}> $ends */
        $ends = $in->each('pulls', 1, 30, static fn(Fields $one): array => [
            $one->only(['from', 'to', 'largest_size', 'splice', 'spacing_in'])->text('from', 40),
            $one->text('to', 40),
            WiringFields::size($one, 'largest_size'),
            $one->bool('splice', false),
            $one->maybeNumber('spacing_in', 0, 200),
        ], isOptional: false);
        $pulls = [];
        foreach ($ends as $i => [$from, $to, $largest, $isSplice, $spacingIn]) {
            [$first, $second] = $this->ends($in->at('pulls')->at($i, null), $from, $to, $byId);
            $pulls[] = new BoxPull($first, $second, $largest, $isSplice, $spacingIn);
        }

        return new PullBoxInput($box, $raceways, $pulls);
    }

    private function raceway(Fields $in): BoxRaceway
    {
        $id = $in->only(['id', 'wall', 'row', 'trade_size'])->text('id', 40);
        $wall = $in->oneOf('wall', BoxRaceway::WALLS);
        $row = $in->int('row', 1, 10, 1);

        return new BoxRaceway($id, $wall, $in->oneOf('trade_size', Raceways::TRADE_SIZES), $row);
    }

    /**
     * @param array<string, BoxRaceway> $byId
     *
     * @return array{BoxRaceway, BoxRaceway}
     *
     * @throws BadInput where a pull begins or ends at no raceway of this box
     */
    private function ends(Node $pull, string $from, string $to, array $byId): array
    {
        $first = $byId[$from] ?? throw $pull->at('from', null)->bad("There is no raceway \"$from\".");
        $second = $byId[$to] ?? null;
        if ($second === null || $from === $to) {
            throw $pull->at('to', null)->bad("\"$to\" is no other raceway of this box.");
        }
        if ($first->wall === 'back' && $second->wall === 'back') {
            throw $pull->at('to', null)->bad('Both ends cannot be on the back.');
        }

        return [$first, $second];
    }

    private function volume(Fields $in): BoxVolumeInput
    {
        $given = $in->only(['mode', ...self::VOLUME])->maybeNumber('box_volume_in3', 0.1, 5000);
        $box = ($boxIn = $in->maybeObject('box')) === null ? null : $this->box($boxIn);
        /** @var non-empty-list<BoxConductors> $conductors */
        $conductors = $in->each('conductors', 1, 20, $this->conductors(...), isOptional: false);
        $egc = $in->each('egc', 0, 20, $this->conductors(...));
        $hasClamps = $in->bool('clamps', false);
        $fittings = $in->int('support_fittings', 0, 10, 0);
        $devices = $in->each('devices', 0, 20, static fn(Fields $one): BoxDevice => new BoxDevice(
            $one->only(['largest_size', 'gangs'])->oneOf('largest_size', self::sizes()),
            $one->int('gangs', 1, 4, 1),
        ));
        $isSingle = $in->oneOf('egc_rule', ['four_plus_quarter', 'single'], 'four_plus_quarter') === 'single';
        $in->close();
        $availableIn3 = $given ?? $box?->volumeIn3();
        if ($availableIn3 === null || $given !== null && $box !== null) {
            throw $in->node->at('box_volume_in3', null)->bad('The volume is needed once: as a figure or by the box.');
        }

        return new BoxVolumeInput(
            $availableIn3,
            $conductors,
            $egc,
            $hasClamps,
            $fittings,
            $devices,
            $isSingle,
        );
    }

    private function conductors(Fields $in): BoxConductors
    {
        return new BoxConductors($in->only(['size', 'qty'])->oneOf('size', self::sizes()), $in->int('qty', 1, 100));
    }

    /** @return non-empty-list<string> */
    private static function sizes(): array
    {
        return array_map(strval(...), array_keys(BoxVolume::ALLOWANCE_IN3));
    }

    private function box(Fields $in): BoxSize
    {
        $in->only(['w_in', 'h_in', 'd_in']);
        $box = new BoxSize($in->number('w_in', 0.1, 200), $in->number('h_in', 0.1, 200), $in->number('d_in', 0.1, 200));
        $in->close();

        return $box;
    }
}

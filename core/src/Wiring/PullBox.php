<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\RelativeTolerance;

/** Is the box big enough: by its raceways for conductors from 4 AWG, by volume for smaller ones. Rule: docs/rules.md#pull-box. */
final readonly class PullBox
{
    /** Depth behind a back entry by the largest conductor, inches: up to this size. */
    private const BACK_IN = [
        '3' => 2.0,
        '2' => 2.5,
        '1' => 3.0,
        '2/0' => 3.5,
        '4/0' => 4.0,
        '250' => 4.5,
        '350' => 5.0,
        '500' => 6.0,
        '750' => 8.0,
    ];
    private const OPPOSITE = ['left' => 'right', 'right' => 'left', 'top' => 'bottom', 'bottom' => 'top', 'back' => ''];
    private const ALLOWANCE_IN3 = ['18' => 1.50, '16' => 1.75, '14' => 2.00, '12' => 2.25, '10' => 2.50, '8' => 3.00, '6' => 5.00];

    public function answer(Node $input): CalculationResult
    {
        $in = new Fields($input);

        if ($in->oneOf('mode', ['raceways', 'volume']) === 'raceways') {
            return $this->raceways($in->only(['mode', 'box', 'raceways', 'pulls']));
        }

        return $this->volume($in->only([
            'mode',
            'box_volume_in3',
            'box',
            'conductors',
            'egc',
            'clamps',
            'support_fittings',
            'devices',
            'egc_rule',
        ]));
    }

    private function raceways(Fields $in): CalculationResult
    {
        $box = $this->box($in->object('box'));
        /** @var list<array{id: string, wall: string, row: int, inches: float}> $raceways */
        $raceways = $in->each('raceways', 1, 30, static fn(Fields $one): array => [
            'id' => $one->only(['id', 'wall', 'row', 'trade_size'])->text('id', 40),
            'wall' => $one->oneOf('wall', ['left', 'right', 'top', 'bottom', 'back']),
            'row' => $one->int('row', 1, 10, 1),
            'inches' => Raceways::inches($one->oneOf('trade_size', Raceways::TRADE_SIZES)),
        ], isOptional: false, idsLast: true);
        $byId = array_column($raceways, null, 'id');
        /** @var list<array{from: string, to: string, largest: string, splice: bool, spacing: ?float}> $pulls */
        $pulls = $in->each('pulls', 1, 30, static fn(Fields $one): array => [
            'from' => $one->only(['from', 'to', 'largest_size', 'splice', 'spacing_in'])->text('from', 40), 'to' => $one->text('to', 40),
            'largest' => WiringFields::size($one, 'largest_size'),
            'splice' => $one->bool('splice', false),
            'spacing' => $one->maybeNumber('spacing_in', 0, 200),
        ], isOptional: false);
        foreach ($pulls as $i => $pull) {
            $this->refuseStrayEnds($in->at('pulls'), $i, $pull, $byId);
        }

        $needs = ['w' => 0.0, 'h' => 0.0, 'd' => 0.0];
        $rows = [];
        $findings = new Findings();
        $working = new Working();
        foreach ($pulls as $pull) {
            [$from, $to] = [$byId[$pull['from']], $byId[$pull['to']]];
            $type = match (true) {
                $pull['splice'] => 'splice',
                $from['wall'] === $to['wall'] => 'u',
                self::OPPOSITE[$from['wall']] === $to['wall'] => 'straight',
                default => 'angle',
            };
            $applies = Sizes::isAtLeast($pull['largest'], '4');
            $larger = max($from['inches'], $to['inches']);
            $spacing = $applies && $type !== 'straight' ? 6 * $larger : 0.0;
            $flags = [];
            $name = "{$pull['from']} to {$pull['to']}";
            if (! $applies) {
                $flags[] = 'small-conductors-use-volume';
                $findings->raise('small-conductors-use-volume', [], [$name]);
            } else {
                foreach ($type === 'straight' ? [] : [$from, $to] as $end) {
                    if ($end['wall'] === 'back') {
                        $needs['d'] = max($needs['d'], self::behind($pull['largest']));
                        continue;
                    }
                    $inRow = array_column(
                        array_filter(
                            $raceways,
                            static fn(array $one): bool => $one['wall'] === $end['wall'] && $one['row'] === $end['row'],
                        ),
                        'inches',
                    );
                    $across = in_array($end['wall'], ['left', 'right'], true) ? 'w' : 'h';
                    $needs[$across] = max($needs[$across], 5 * max([0.0, ...$inRow]) + array_sum($inRow));
                }
                if ($type === 'straight') {
                    $across = in_array($from['wall'], ['left', 'right'], true) ? 'w' : 'h';
                    $needs[$across] = max($needs[$across], 8 * $larger);
                }
                if ($type === 'splice') {
                    $flags[] = 'splice-extension';
                    $findings->raise('splice-extension', [], [$name]);
                }
                if ($spacing > 0 && $pull['spacing'] === null) {
                    $flags[] = 'spacing-not-given';
                    $findings->raise('spacing-not-given', ['spacing' => $spacing], [$name]);
                } elseif ($spacing > 0 && RelativeTolerance::isOver($spacing, (float) $pull['spacing'])) {
                    $flags[] = 'raceway-spacing-short';
                    $findings->raise('raceway-spacing-short', ['spacing' => $pull['spacing'], 'needed_spacing' => $spacing], [$name]);
                }
            }
            sort($flags);
            $isOk = $spacing === 0.0 || $pull['spacing'] === null ? null : RelativeTolerance::isAtLeast($pull['spacing'], $spacing);
            $rows[] = [
                'from' => $pull['from'],
                'to' => $pull['to'],
                'type' => $type,
                'applies' => $applies,
                'required_spacing_in' => $spacing,
                'spacing_ok' => $isOk,
                'flags' => $flags,
            ];
        }
        $fits = RelativeTolerance::isAtLeast($box['w'], $needs['w'])
            && RelativeTolerance::isAtLeast($box['h'], $needs['h'])
            && RelativeTolerance::isAtLeast($box['d'], $needs['d']);
        if (! $fits) {
            $findings->raise('box-too-small', ['w' => $needs['w'], 'h' => $needs['h'], 'd' => $needs['d']]);
        }
        foreach (['w' => 'Width', 'h' => 'Height', 'd' => 'Depth'] as $side => $label) {
            $working->add($label, '8 times straight, 6 times and the other raceways of the row at a corner', $needs[$side], 'in');
        }
        WiringFields::confirm($findings);

        return new CalculationResult([
            'pulls' => $rows,
            'required_w_in' => $needs['w'],
            'required_h_in' => $needs['h'],
            'required_d_in' => $needs['d'],
            'fits' => $fits,
            'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /**
     * @param array{from: string, to: string, ...}        $pull
     * @param array<string, array{wall: string, ...}>     $byId
     *
     * @throws BadInput where a pull begins or ends at no raceway of this box
     */
    private function refuseStrayEnds(Node $pulls, int $i, array $pull, array $byId): void
    {
        $at = static fn(string $key): Node => $pulls->at($i, null)->at($key, null);
        if (! isset($byId[$pull['from']])) {
            throw $at('from')->bad("There is no raceway \"{$pull['from']}\".");
        }
        if (! isset($byId[$pull['to']]) || $pull['to'] === $pull['from']) {
            throw $at('to')->bad("\"{$pull['to']}\" is no other raceway of this box.");
        }
        if ($byId[$pull['from']]['wall'] === 'back' && $byId[$pull['to']]['wall'] === 'back') {
            throw $at('to')->bad('Both ends cannot be on the back.');
        }
    }

    private function volume(Fields $in): CalculationResult
    {
        $given = $in->maybeNumber('box_volume_in3', 0.1, 5000);
        $box = ($boxIn = $in->maybeObject('box')) === null ? null : $this->box($boxIn);
        $sizes = array_map(strval(...), array_keys(self::ALLOWANCE_IN3));
        $conductors = $in->each(
            'conductors',
            1,
            20,
            static fn(Fields $one): array => [
                'size' => $one->only(['size', 'qty'])->oneOf('size', $sizes),
                'qty' => $one->int('qty', 1, 100),
            ],
            isOptional: false,
        );
        $egc = $in->each(
            'egc',
            0,
            20,
            static fn(Fields $one): array => [
                'size' => $one->only(['size', 'qty'])->oneOf('size', $sizes),
                'qty' => $one->int('qty', 1, 100),
            ],
        );
        $hasClamps = $in->bool('clamps', false);
        $fittings = $in->int('support_fittings', 0, 10, 0);
        $devicesIn3 = array_sum($in->each(
            'devices',
            0,
            20,
            static fn(Fields $one): float =>
                2 * self::ALLOWANCE_IN3[$one->only(['largest_size', 'gangs'])->oneOf('largest_size', $sizes)] * $one->int('gangs', 1, 4, 1),
        ));
        $isSingle = $in->oneOf('egc_rule', ['four_plus_quarter', 'single'], 'four_plus_quarter') === 'single';
        $in->close();
        if (($given === null) === ($box === null)) {
            throw $in->node->at('box_volume_in3', null)->bad('The volume is needed once: as a figure or by the box.');
        }
        $available = $given ?? (float) array_product($box ?? []);
        $largest = max([0.0, ...array_map(self::allowance(...), array_column([...$conductors, ...$egc], 'size'))]);
        $n = array_sum(array_column($egc, 'qty'));
        $g = max([0.0, ...array_map(self::allowance(...), array_column($egc, 'size'))]);
        $egcIn3 = $n === 0 ? 0.0 : ($isSingle ? $g : $g * (1 + 0.25 * max(0, $n - 4)));
        $required = array_sum(array_map(
            static fn(array $one): float => $one['qty'] * self::allowance($one['size']),
            $conductors,
        )) + ($hasClamps ? $largest : 0.0) + $fittings * $largest + $devicesIn3 + $egcIn3;
        $fits = RelativeTolerance::isAtLeast($available, $required);
        $working = new Working();
        $working->add('Volume needed', 'conductors, clamps, fittings, devices, grounding', $required, 'in³');
        $findings = new Findings();
        if (! $fits) {
            $findings->raise('box-overfilled', ['required' => $required, 'available' => $available]);
        }
        WiringFields::confirm($findings);

        return new CalculationResult([
            'required_in3' => $required,
            'available_in3' => $available,
            'spare_in3' => $available - $required,
            'fill_pct' => 100 * $required / $available,
            'fits' => $fits,
            'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /** @return array{w: float, h: float, d: float} */
    private function box(Fields $in): array
    {
        $in->only(['w_in', 'h_in', 'd_in']);
        $box = ['w' => $in->number('w_in', 0.1, 200), 'h' => $in->number('h_in', 0.1, 200), 'd' => $in->number('d_in', 0.1, 200)];
        $in->close();

        return $box;
    }

    private static function allowance(string $size): float
    {
        return self::ALLOWANCE_IN3[$size];
    }

    private static function behind(string $largest): float
    {
        foreach (self::BACK_IN as $most => $inches) {
            if (Sizes::isAtLeast((string) $most, $largest)) {
                return $inches;
            }
        }

        return 8.0;
    }
}

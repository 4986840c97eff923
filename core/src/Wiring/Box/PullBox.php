<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Box;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\WiringFields;

/** Is the box big enough for its raceways, where conductors are 4 AWG or larger. Rule: docs/rules.md#pull-box. */
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

    public function answer(PullBoxInput $in): CalculationResult
    {
        $needs = ['w' => 0.0, 'h' => 0.0, 'd' => 0.0];
        $rows = [];
        $findings = new Findings();
        $working = new Working();
        foreach ($in->pulls as $pull) {
            $type = self::type($pull);
            $applies = Sizes::isAtLeast($pull->largest, '4');
            foreach ($applies ? self::needs($pull, $type, $in->raceways) : [] as [$side, $inches]) {
                $needs[$side] = max($needs[$side], $inches);
            }
            $spacing = $applies && $type !== 'straight' ? 6 * max($pull->from->inches, $pull->to->inches) : 0.0;
            $flags = $this->flags($pull, $type, $applies, $spacing, $findings);
            sort($flags);
            $rows[] = [
                'from' => $pull->from->id,
                'to' => $pull->to->id,
                'type' => $type,
                'applies' => $applies,
                'required_spacing_in' => $spacing,
                'spacing_ok' => $spacing === 0.0 || $pull->spacingIn === null
                    ? null
                    : RelativeTolerance::isAtLeast($pull->spacingIn, $spacing),
                'flags' => $flags,
            ];
        }
        $fits = RelativeTolerance::isAtLeast($in->box->widthIn, $needs['w'])
            && RelativeTolerance::isAtLeast($in->box->heightIn, $needs['h'])
            && RelativeTolerance::isAtLeast($in->box->depthIn, $needs['d']);
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

    private static function type(BoxPull $pull): string
    {
        return match (true) {
            $pull->isSplice => 'splice',
            $pull->from->wall === $pull->to->wall => 'u',
            $pull->from->isOpposite($pull->to) => 'straight',
            default => 'angle',
        };
    }

    /**
     * What one pull asks of the box.
     *
     * @param list<BoxRaceway> $raceways all of the box
     *
     * @return list<array{'d'|'h'|'w', float}> side, inches
     */
    private static function needs(BoxPull $pull, string $type, array $raceways): array
    {
        if ($type === 'straight') {
            return [[$pull->from->isSideways() ? 'w' : 'h', 8 * max($pull->from->inches, $pull->to->inches)]];
        }
        $needs = [];
        foreach ([$pull->from, $pull->to] as $end) {
            if ($end->wall === 'back') {
                $needs[] = ['d', self::behind($pull->largest)];
                continue;
            }
            $inRow = array_map(
                static fn(BoxRaceway $one): float => $end->isBeside($one) ? $one->inches : 0.0,
                $raceways,
            );
            $needs[] = [$end->isSideways() ? 'w' : 'h', 5 * max([0.0, ...$inRow]) + array_sum($inRow)];
        }

        return $needs;
    }

    /** @return list<string> */
    private function flags(BoxPull $pull, string $type, bool $applies, float $spacing, Findings $findings): array
    {
        $name = "{$pull->from->id} to {$pull->to->id}";
        if (! $applies) {
            $findings->raise('small-conductors-use-volume', [], [$name]);

            return ['small-conductors-use-volume'];
        }
        $flags = [];
        if ($type === 'splice') {
            $flags[] = 'splice-extension';
            $findings->raise('splice-extension', [], [$name]);
        }
        if ($spacing > 0 && $pull->spacingIn === null) {
            $flags[] = 'spacing-not-given';
            $findings->raise('spacing-not-given', ['spacing' => $spacing], [$name]);
        } elseif ($spacing > 0 && RelativeTolerance::isOver($spacing, (float) $pull->spacingIn)) {
            $flags[] = 'raceway-spacing-short';
            $findings->raise('raceway-spacing-short', ['spacing' => $pull->spacingIn, 'needed_spacing' => $spacing], [$name]);
        }

        return $flags;
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

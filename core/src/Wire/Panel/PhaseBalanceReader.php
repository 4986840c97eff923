<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Panel;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Panel\PhaseBalance\BalanceGenerator;
use Escapement\Core\Panel\PhaseBalance\BalanceInput;
use Escapement\Core\Panel\PhaseBalance\PanelWay;
use Escapement\Core\Panel\PhaseBalance\PhaseBalance;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;

/** `phase_balance` on the wire. Rule: docs/rules.md#phase-balance. */
final readonly class PhaseBalanceReader implements InputReader
{
    private const KEYS = ['circuits', 'main_a', 'neutral_rated_a', 'target_pct', 'optimise_for', 'generator'];
    private const WAY = ['id', 'connect', 'a', 'pf', 'lead', 'triplen_pct', 'locked', 'shed'];
    private const PLACES = ['L1', 'L2', 'L3', 'L1L2', 'L2L3', 'L3L1', '3P'];
    /** A way of one or two poles above this is none that anybody moves. */
    private const MOST_SINGLE_A = 125;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new PhaseBalance())->plan($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): BalanceInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $ways = $in->each('circuits', 1, 60, self::way(...), isOptional: false);
        $mainA = $in->at('main_a')->isNull() ? null : $in->number('main_a', 1, 6000);
        $neutralA = $in->at('neutral_rated_a')->isNull() ? null : $in->number('neutral_rated_a', 1, 6000);
        $target = $in->number('target_pct', 0, 100, 10.0);
        $isForGenerator = $in->oneOf('optimise_for', ['utility', 'generator'], 'utility') === 'generator';
        $fields = $in->at('generator')->isNull() ? null
            : $in->object('generator')->only(['rated_a', 'i2_limit_pct', 'spread_limit_pct']);
        $generator = $fields === null ? null : new BalanceGenerator(
            $fields->number('rated_a', 1, 6000),
            $fields->number('i2_limit_pct', 1, 100, 8.0),
            $fields->number('spread_limit_pct', 1, 100, 25.0),
        );
        if ($isForGenerator && $generator === null) {
            throw BadInput::missing($node->at('generator', null)->path);
        }

        return new BalanceInput($ways, $mainA, $neutralA, $target, $isForGenerator, $generator);
    }

    private static function way(Fields $in): PanelWay
    {
        $in->only(self::WAY);
        $id = $in->text('id', 40);
        $connect = $in->oneOf('connect', self::PLACES);
        $a = $in->number('a', 0, 2000);
        if ($connect !== '3P' && $a > self::MOST_SINGLE_A) {
            throw $in->at('a')->bad('A way of one or two poles carries 125 A at most.');
        }

        return new PanelWay(
            $id,
            $connect,
            $a,
            $in->number('pf', 0.05, 1, 1.0),
            $in->bool('lead', false),
            $in->pct('triplen_pct', 0.0),
            $in->bool('locked', false),
            $in->bool('shed', false),
        );
    }
}

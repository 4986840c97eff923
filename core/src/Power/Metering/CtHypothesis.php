<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

/** One way in which the current transformers may be connected. */
final readonly class CtHypothesis
{
    /**
     * @param array{int, int, int} $phases     of the transformer on each channel, from 0
     * @param array{int, int, int} $signs      1, or −1 where it is turned round
     * @param float                $error      rounded to six decimals
     */
    public function __construct(private array $phases, private array $signs, public float $error) {}

    /** Wrong phases and turned ones. */
    public function cost(): int
    {
        $wrong = array_filter($this->phases, static fn(int $phase, int $channel): bool => $phase !== $channel, ARRAY_FILTER_USE_BOTH);

        return count($wrong) + count(array_filter($this->signs, static fn(int $sign): bool => $sign < 0));
    }

    /** @return list<CtChannel> */
    public function channels(): array
    {
        return array_map(
            static fn(int $channel, int $phase, int $sign): CtChannel => new CtChannel($channel + 1, $phase + 1, $sign < 0),
            array_keys($this->phases),
            $this->phases,
            $this->signs,
        );
    }

    /** @return array{int, float, array{int, int, int}, list<int>} the least first: cost, error, phases, then upright before turned */
    public function rank(): array
    {
        return [$this->cost(), $this->error, $this->phases, array_map(static fn(int $sign): int => -$sign, $this->signs)];
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

use Escapement\Core\Plant\Side;

/**
 * The settings sheet: what a technician programs into the switch controller. The same object is stored, exported,
 * rehearsed and measured against. Start, return and cool-down delay are null where a vehicle's sheet leaves them out.
 */
final readonly class Settings
{
    public function __construct(
        public Sensing $normal,
        public Sensing $emergency,
        public ?int $startDelayMs,
        public int $transferDelayMs,
        public ?int $returnDelayMs,
        public ?int $cooldownMs,
        public int $minRunMs = 0,
        public Transition $transition = Transition::Open,
        public int $travelMs = 100,
        public int $offDelayMs = 0,
        public bool $commitToTransfer = false,
        public ?Exercise $exercise = null,
        public ?LoadShedding $loadShed = null,
    ) {}

    public function sensing(Side $side): Sensing
    {
        return $side === Side::Normal ? $this->normal : $this->emergency;
    }

    /** From the opening of one side to the closing of the other. */
    public function moveMs(): int
    {
        return $this->travelMs + ($this->transition === Transition::Delayed ? $this->offDelayMs : 0);
    }

    /** The same sheet without the weekly run and without shedding: what a plain outage is timed with. */
    public function bare(): self
    {
        return $this->with(null, null);
    }

    public function withExercise(?Exercise $exercise): self
    {
        return $this->with($exercise, $this->loadShed);
    }

    /**
     * The sheet on the wire, every default filled in.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return [
            'sensing' => ['normal' => $this->normal->toArray(), 'emergency' => $this->emergency->toArray()],
            'start_delay_ms' => $this->startDelayMs,
            'transfer_delay_ms' => $this->transferDelayMs,
            'return_delay_ms' => $this->returnDelayMs,
            'cooldown_ms' => $this->cooldownMs,
            'min_run_ms' => $this->minRunMs,
            'transition' => $this->transition->value,
            'travel_ms' => $this->travelMs,
            'off_delay_ms' => $this->offDelayMs,
            'commit_to_transfer' => $this->commitToTransfer,
            'exercise' => $this->exercise?->toArray(),
            'load_shed' => $this->loadShed?->toArray(),
        ];
    }

    /**
     * As toArray(), but delays that are not on this sheet are left out, so that it can be read back.
     *
     * @return array<string, mixed>
     */
    public function toWire(): array
    {
        return array_filter(
            $this->toArray(),
            static fn(mixed $value, string $key): bool => $value !== null || in_array($key, ['exercise', 'load_shed'], true),
            ARRAY_FILTER_USE_BOTH,
        );
    }

    public function withLoadShed(LoadShedding $loadShed): self
    {
        return $this->with($this->exercise, $loadShed);
    }

    private function with(?Exercise $exercise, ?LoadShedding $loadShed): self
    {
        return new self(
            $this->normal,
            $this->emergency,
            $this->startDelayMs,
            $this->transferDelayMs,
            $this->returnDelayMs,
            $this->cooldownMs,
            $this->minRunMs,
            $this->transition,
            $this->travelMs,
            $this->offDelayMs,
            $this->commitToTransfer,
            $exercise,
            $loadShed,
        );
    }
}

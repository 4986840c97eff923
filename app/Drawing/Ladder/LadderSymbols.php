<?php

declare(strict_types=1);

namespace App\Drawing\Ladder;

use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;

/** Contacts and coils at rest, in the symbols of the region. Sources: IEC 60617, NEMA ICS 19. */
final readonly class LadderSymbols
{
    public const CONTACT_PX = 40;
    public const COIL_PX = 44;
    private const COIL_HIGH_PX = 28;

    public function __construct(private RelayCircuit $circuit, private LadderPen $on) {}

    /** From $x on, 40 px wide, on the line at $y. */
    public function contact(Contact $contact, float $x, float $y): string
    {
        $isClosedAtRest = $contact->kind === 'nc';
        if (! $this->on->look->isIec) {
            $bars = sprintf('M%1$.1f %2$.1fv22M%3$.1f %2$.1fv22', $x + 12, $y - 11, $x + 28);
            $wires = sprintf('M%.1f %.1fh12M%.1f %.1fh12', $x, $y, $x + 28, $y);
            $slash = $isClosedAtRest ? sprintf('M%.1f %.1fl22 -24', $x + 9, $y + 12) : '';

            return $this->on->pen->path($bars . $slash, 'ink', 2.2) . $this->on->pen->path($wires, 'ink', 1.4);
        }
        $fixed = $isClosedAtRest ? sprintf('M%.1f %.1fh4v-13', $x, $y) : sprintf('M%.1f %.1fh5', $x, $y);
        $blade = $isClosedAtRest ? sprintf('M%.1f %.1fL%.1f %.1f', $x + 38, $y, $x, $y - 12) : sprintf(
            'M%.1f %.1fL%.1f %.1f',
            $x + 38,
            $y,
            $x + 5,
            $y - 13,
        );

        return $this->on->pen->path($fixed, 'ink', 1.6) . $this->on->pen->path($blade, 'ink', 2.8)
            . $this->on->pen->path(sprintf('M%.1f %.1fh2', $x + 38, $y), 'ink', 1.4) . $this->operator($contact, $x, $y);
    }

    /** What moves the blade where it is no coil without delay: a clock, a hand. */
    private function operator(Contact $contact, float $x, float $y): string
    {
        $device = $this->circuit->deviceById[$contact->device];
        $foot = sprintf('M%.1f %.1fv9', $x + 20, $y - 5);

        return match ($device->type) {
            RelayType::Timer => $this->on->pen->path(
                $foot . ($device->isOnDelay ? 'm-6 0a6 6 0 0 0 12 0' : 'm-6 6a6 6 0 0 1 12 0'),
                'ink',
                1.2,
            ),
            RelayType::PushButton, RelayType::Handle, RelayType::Selector => $this->on->pen->path(
                $foot . 'm-5 -0h10',
                'ink',
                1.2,
                'stroke-dasharray="3 2"',
            ),
            default => '',
        };
    }

    /** A coil, a lamp or a command of a motor, 44 px wide from $x on; its supply where current flows in it. */
    public function coil(string $coil, float $x, float $y, ?string $supply): string
    {
        $device = $this->circuit->deviceById[explode('.', $coil)[0]];
        $ink = $this->on->pen->ink;
        $fill = $supply === null ? $ink->colour('sheet') : $ink->colour(match ($this->on->kind($supply)) {
            'util' => 'util-tint',
            'gen' => 'gen-tint',
            default => 'steel-tint',
        });
        $half = self::COIL_HIGH_PX / 2;
        if ($device->type === RelayType::Lamp || ! $this->on->look->isIec) {
            $circle = sprintf(
                '<circle cx="%.1f" cy="%.1f" r="15" fill="%s" stroke="%s" stroke-width="1.8"/>',
                $x + self::COIL_PX / 2,
                $y,
                $fill,
                $ink->colour('ink'),
            );
            $wires = sprintf('M%.1f %.1fh7M%.1f %.1fh7', $x, $y, $x + 37, $y);
            $cross = $device->type === RelayType::Lamp
                ? sprintf('M%1$.1f %2$.1fl20 20m0 -20l-20 20', $x + 12, $y - 10)
                : '';

            return $circle . $this->on->pen->path($wires, 'ink', 1.4) . ($cross === '' ? '' : $this->on->pen->path($cross, 'ink', 1.4))
                . $this->letters($device, $x, $y);
        }
        $box = sprintf(
            '<rect x="%.1f" y="%.1f" width="%d" height="%d" fill="%s" stroke="%s" stroke-width="1.8"/>',
            $x,
            $y - $half,
            self::COIL_PX,
            self::COIL_HIGH_PX,
            $fill,
            $ink->colour('ink'),
        );

        return $box . $this->delay($device, $x, $y - $half) . ($device->type === RelayType::MotorChangeover
            ? $this->on->pen->text($x + self::COIL_PX / 2, $y + 5, 'M', 'middle', weight: 600)
            : '');
    }

    private function letters(RelayDevice $device, float $x, float $y): string
    {
        $letters = match ($device->type) {
            RelayType::Timer => $device->isOnDelay ? 'TDE' : 'TDD',
            RelayType::MotorChangeover => 'M',
            RelayType::Lamp => '',
            RelayType::Contactor => 'M',
            default => 'CR',
        };

        return $letters === '' ? '' : $this->on->pen->text($x + self::COIL_PX / 2, $y + 4, $letters, 'middle', size: 12, weight: 600);
    }

    /** IEC: a crossed field is slow to pick up, a filled one slow to drop. */
    private function delay(RelayDevice $device, float $x, float $top): string
    {
        if ($device->type !== RelayType::Timer) {
            return '';
        }
        $field = sprintf('M%.1f %.1fh14v%dh-14z', $x, $top, self::COIL_HIGH_PX);

        return $device->isOnDelay
            ? $this->on->pen->path($field . sprintf('l14 %1$dm0 -%1$dl-14 %1$d', self::COIL_HIGH_PX), 'ink', 1.4)
            : $this->on->pen->shape($field, 'ink');
    }
}

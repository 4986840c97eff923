<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\TransferSwitch;
use Escapement\Core\Terminations\ControlWire as UsualWire;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\WiringView\Control;
use Escapement\Core\WiringView\ControlWire;
use Escapement\Core\WiringView\Jumper;

/** The terminal strip of a switch as it is kept with the terminations, for the wiring view. Needs of the switch: site, plan. */
final readonly class ControlStrip
{
    private const MOST_CHARACTERS = 40;

    /** @var array<string, Control> by terminal */
    public array $controls;
    /** @var list<ControlWire> */
    public array $wires;
    /** @var list<Jumper> of which is known whether they are fitted, and whether they are wanted */
    public array $jumpers;
    /** @var list<array{function: string, a: string, b: string, fitted: ?bool, wanted: ?bool}> all of them, as they are kept */
    public array $options;
    /** @var array<string, string> what each wire does, by its id */
    public array $functions;

    public function __construct(TransferSwitch $switch, OneLine $drawing)
    {
        $landing = $switch->plan->landing ?? [];
        $controls = $wires = $jumpers = $options = $functions = [];
        foreach ($landing['controls'] ?? [] as $i => $line) {
            $function = self::text($line, 'function');
            $usual = UsualWire::named($switch->site->installation, $function);
            $terminal = self::free(self::text($line, 'terminals') === '' ? $function : self::text($line, 'terminals'), $controls);
            $controls[$terminal] = new Control($terminal, $usual->role ?? 'spare', fedBy: match ($usual->fedBy ?? null) {
                UsualWire::FROM_UTILITY => self::utility($drawing),
                UsualWire::FROM_BATTERY => 'other',
                default => null,
            });
            $wires[] = new ControlWire("wire$i", $terminal, 'generator');
            $functions["wire$i"] = $function;
        }
        foreach ($landing['jumpers'] ?? [] as $line) {
            [$a, $b] = self::ends(self::text($line, 'terminals'));
            $fitted = self::fact($line, 'fitted');
            $wanted = self::fact($line, 'wanted');
            $options[] = ['function' => self::text($line, 'function'), 'a' => $a, 'b' => $b, 'fitted' => $fitted, 'wanted' => $wanted];
            foreach ($a === '' ? [] : [$a, $b] as $end) {
                $controls[$end] ??= new Control($end, 'spare');
            }
            if ($a !== '' && $fitted !== null && $wanted !== null) {
                $jumpers[] = new Jumper($a, $b, $fitted, $wanted);
            }
        }
        $this->controls = $controls;
        $this->wires = $wires;
        $this->jumpers = $jumpers;
        $this->options = $options;
        $this->functions = $functions;
    }

    /** @return array{string, string} both empty where it does not name two terminals */
    private static function ends(string $typed): array
    {
        $parts = preg_split('/\s*[-–,\/]\s*/u', $typed) ?: [];
        [$a, $b] = [mb_substr($parts[0] ?? '', 0, self::MOST_CHARACTERS), mb_substr($parts[1] ?? '', 0, self::MOST_CHARACTERS)];

        return count($parts) === 2 && $a !== '' && $b !== '' && $a !== $b ? [$a, $b] : ['', ''];
    }

    /** @param array<string, Control> $taken */
    private static function free(string $name, array $taken): string
    {
        $name = mb_substr($name, 0, self::MOST_CHARACTERS - 4);
        $free = $name;
        for ($n = 2; isset($taken[$free]); $n++) {
            $free = "$name ($n)";
        }

        return $free;
    }

    private static function utility(OneLine $drawing): ?string
    {
        return array_values(array_filter($drawing->sources, static fn(Element $source): bool => $source->isUtilityLike()))[0]->id ?? null;
    }

    private static function fact(mixed $line, string $key): ?bool
    {
        return ['yes' => true, 'no' => false][self::text($line, $key)] ?? null;
    }

    private static function text(mixed $line, string $key): string
    {
        return is_array($line) && is_string($line[$key] ?? null) ? trim($line[$key]) : '';
    }
}

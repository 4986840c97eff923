<?php

declare(strict_types=1);

namespace App\Stage\Plan\Wiring;

use Escapement\Core\Finding\Finding;
use Escapement\Core\WiringView\LandedConductor;

/** The words of a wiring view: the site's names, the trade's words for ports. */
final readonly class WiringWords
{
    private const PORTS = [
        'load' => 'load',
        'in' => 'line',
        'out' => 'load',
        'bus' => 'bus',
    ];

    /** Metals as they are stamped on conductors. */
    private const METALS = ['cu' => 'Cu', 'al' => 'Al'];

    /**
     * @param array<string, string>  $names of the elements of the one-line
     * @param array{string, string} $sides what stands on the two sides of the switch
     */
    public function __construct(private array $names, private array $sides) {}

    /** @return array<string, string> what is said of each port */
    public function ports(): array
    {
        return ['normal' => $this->sides[0], 'emergency' => $this->sides[1]] + self::PORTS;
    }

    public function port(string $port): string
    {
        return $this->ports()[$port] ?? $port;
    }

    /** What a conductor is, and under it where its other end is. */
    public function label(LandedConductor $one, string $enclosure): string
    {
        $size = $one->size === null ? '' : ", $one->size " . (self::METALS[$one->material ?? ''] ?? '');
        $colour = $one->colour === null ? '' : self::colour($one->colour) . ', ';

        return $one->leg . rtrim($size) . "\n" . $colour . $this->farEnd($one, $enclosure);
    }

    /** What a conductor goes to, seen from the enclosure. */
    public function farEnd(LandedConductor $one, string $enclosure): string
    {
        $far = str_starts_with($one->to, "$enclosure.") ? $one->from : $one->to;

        return lcfirst($this->name(explode('.', $far)[0]));
    }

    public static function colour(string $colour): string
    {
        return str_replace('_', '-', $colour);
    }

    public function terminal(string $terminal): string
    {
        [$port, $leg] = explode('.', $terminal, 2) + [1 => ''];

        return $leg === '' ? "$port bar" : $this->port($port) . " lug $leg";
    }

    public function name(string $ref): string
    {
        [$id, $part] = explode('.', $ref, 2) + [1 => ''];
        $name = $this->names[$id] ?? $id;

        return match (true) {
            $part === '' => $name,
            $part === 'main' => "$name main",
            isset($this->ports()[$part]) => "$name, {$this->port($part)} side",
            default => "$name $part",
        };
    }

    /**
     * Findings of one kind told once, with all their places, in the names of the site.
     *
     * @param list<Finding> $findings
     *
     * @return list<Finding>
     */
    public function findings(array $findings): array
    {
        $told = [];
        foreach ($findings as $finding) {
            $alike = $finding->at === null ? $finding->message : str_replace(": $finding->at.", '', $finding->message);
            $key = "{$finding->severity->value} $finding->id $alike";
            $told[$key] ??= ['first' => $finding, 'alike' => $alike, 'places' => []];
            if ($finding->at !== null) {
                $told[$key]['places'][] = $this->place($finding->at);
            }
        }

        return array_values(array_map(static fn(array $one): Finding => $one['places'] === [] || $one['alike'] === $one['first']->message
            ? $one['first'] : $one['first']->told($one['alike'] . ': ' . implode(', ', $one['places']) . '.'), $told));
    }

    private function place(string $at): string
    {
        return str_contains($at, '.') && ! isset($this->names[explode('.', $at)[0]]) ? $this->terminal($at) : $this->name($at);
    }
}

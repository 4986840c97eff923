<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\EnclosureTable;
use App\Bridge\LandingWork;
use App\Bridge\PlanFacts;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Terminations\ControlWire;
use Escapement\Core\Terminations\Entry;

/** What lands where, how tight, through which hole, and in which box it meets. */
final readonly class LandingPage
{
    public const SCREWS = [
        'slotted_small' => 'slotted, small',
        'slotted_large' => 'slotted, large',
        'split_bolt' => 'split bolt',
        'hex_external' => 'hexagon head',
        'hex_socket' => 'hexagon socket',
    ];
    public const WALLS = ['left', 'right', 'top', 'bottom', 'back'];

    public SiteStanding $standing;
    public LandingWork $work;
    /** @var array<string, string> */
    public array $names;
    /** @var array<string, EnclosureTable> by element */
    public array $enclosures;
    /** @var list<Entry> */
    public array $entries;
    /** @var list<array{box: array<string, mixed>, answer: ?CalculationResult, fault: ?string}> */
    public array $boxes;
    /** @var list<array{function: string, why: string, terminals: string, note: string, fitted: string, wanted: string}> */
    public array $controls;
    /** @var list<array{function: string, why: string, terminals: string, note: string, fitted: string, wanted: string}> */
    public array $jumpers;

    public function __construct(public TransferSwitch $switch)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $facts = new PlanFacts($switch, $switch->plan);
        $this->work = new LandingWork($switch, $facts);
        $this->names = $facts->plan->names();
        $this->enclosures = $this->work->enclosures;
        $this->entries = $this->work->entries;
        $this->boxes = $this->work->boxes;
        $kept = $switch->plan->landing ?? [];
        $kind = $switch->site->installation;
        $this->controls = self::wires(ControlWire::usual($kind), $kept['controls'] ?? []);
        $this->jumpers = self::wires(ControlWire::jumpers($kind), $kept['jumpers'] ?? []);
    }

    /** @return list<Finding> each once */
    public function findings(): array
    {
        $told = [];
        foreach ($this->enclosures as $table) {
            foreach ($table->findings as $finding) {
                $told[$finding->id] ??= ['finding' => $finding, 'at' => []];
                $told[$finding->id]['at'][] = $table->name;
            }
        }

        return Finding::worstFirst(array_values(array_map(static function (array $one): Finding {
            $claim = lcfirst((string) preg_replace('/ \(\d+(, \d+)*\)/', '', $one['finding']->message));

            return $one['finding']->told(implode(', ', $one['at']) . ": $claim");
        }, $told)));
    }

    /**
     * @param list<ControlWire>          $usual
     * @param list<array<string, mixed>> $kept
     *
     * @return list<array{function: string, why: string, terminals: string, note: string, fitted: string, wanted: string}>
     */
    private static function wires(array $usual, array $kept): array
    {
        $why = array_column(
            array_map(static fn(ControlWire $wire): array => ['function' => $wire->function, 'why' => $wire->why], $usual),
            'why',
            'function',
        );
        $lines = $kept === [] ? array_map(static fn(ControlWire $wire): array => ['function' => $wire->function], $usual) : $kept;

        return array_map(static fn(array $line): array => [
            'function' => (string) $line['function'],
            'why' => $why[$line['function']] ?? '',
            'terminals' => (string) ($line['terminals'] ?? ''),
            'note' => (string) ($line['note'] ?? ''),
            'fitted' => (string) ($line['fitted'] ?? ''),
            'wanted' => (string) ($line['wanted'] ?? ''),
        ], $lines);
    }

    public function fitting(Entry $entry): string
    {
        return $entry->connector . ($entry->isBushed ? ', insulating bushing' : '') . ($entry->isSealed ? ', sealed outdoors' : '');
    }

    /** @param array<string, mixed> $line */
    public function hasSocket(array $line): bool
    {
        return ($line['socket_in'] ?? null) !== null && $line['screw'] === 'hex_socket';
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Materials\Calibration;
use Escapement\Core\Terminations\EnclosureCheck;
use Escapement\Core\Topology\BondMove;
use Escapement\Core\Wiring\Torque\TorqueTable;

/**
 * What the plan has to be built: runs to pull, enclosures to land in, lugs with their torque, bonds that move. What stands
 * against a part of it stands against its step. Rule: docs/rules.md#torque, docs/rules.md#colours.
 */
final readonly class InstallationSteps
{
    public const UNITS = ['in_lb' => 'in-lb', 'ft_lb' => 'ft-lb', 'nm' => 'N·m'];
    /** Of an inch-pound in the tool's unit. */
    private const PER_IN_LB = ['in_lb' => 1.0, 'ft_lb' => 1 / 12, 'nm' => TorqueTable::IN_LB_TO_NM];

    /** @var array<string, list<RowItem>> by what a row is repeated for */
    private array $items;

    /**
     * @param 'in_lb'|'ft_lb'|'nm'                                                                  $unit       of the tool in hand
     * @param string                                                                                $workDate   Y-m-d
     * @param ?string                                                                               $calibrated Y-m-d; null: not known
     * @param list<array{name: string, words: string, asked?: ?string, stops: list<string>}>                         $feeders
     * @param list<array{id: string, name: string, lines: list<array<string, mixed>>, check: EnclosureCheck,
     *     stops: list<string>}> $enclosures
     * @param list<BondMove>                                                                        $moves
     * @param array<string, string>                                                                 $names      of elements
     * @param ?string                                                                               $bondsUnknown what of the
     *     bonds nobody has looked at, in a sentence
     */
    public function __construct(
        public string $unit,
        private string $workDate,
        private ?string $calibrated,
        array $feeders,
        array $enclosures,
        array $moves,
        array $names,
        public ?string $bondsUnknown = null,
    ) {
        $lugs = $places = [];
        foreach ($enclosures as $enclosure) {
            foreach ($enclosure['check']->points() as $i => $point) {
                $lug = $this->lug($enclosure, $enclosure['lines'][$i], $point);
                $lugs[$lug->suffix] ??= $lug; // the same conductor of one run on the same bar is one lug
            }
        }
        foreach ($moves as $move) {
            $places[$move->element()] = new RowItem(
                '-' . $move->element(),
                ['{place}' => $names[$move->element()] ?? $move->element(), '{place_id}' => $move->element()],
            );
        }
        $this->items = [
            RepeatedFor::Feeder->value => array_map(
                static fn(array $feeder): RowItem => new RowItem(
                    '-' . RowItem::slug($feeder['name']),
                    ['{run}' => $feeder['name'], '{entries}' => $feeder['words']],
                    stoppedBy: $feeder['stops'],
                    asked: $feeder['asked'] ?? $feeder['words'],
                ),
                $feeders,
            ),
            RepeatedFor::Enclosure->value => array_map(static fn(array $enclosure): RowItem => new RowItem('-' . $enclosure['id'], [
                '{enclosure}' => $enclosure['name'], '{enclosure_id}' => $enclosure['id'], '{order}' => self::order($enclosure['lines']),
            ], stoppedBy: [
                ...array_map(static fn(Finding $stop): string => $stop->sentence(), $enclosure['check']->stops()),
                ...$enclosure['stops'],
            ], asked: self::orderAsked($enclosure['lines'])), $enclosures),
            RepeatedFor::Lug->value => array_values($lugs),
            RepeatedFor::Move->value => array_map(
                static fn(BondMove $move): RowItem => new RowItem(
                    "-$move->action-$move->at",
                    ['{move}' => $move->title, '{move_why}' => $move->why, '{place_id}' => $move->element()],
                ),
                $moves,
            ),
            RepeatedFor::MovePlace->value => array_values($places),
        ];
    }

    /** @return list<RowItem> */
    public function items(RepeatedFor $per): array
    {
        return $this->items[$per->value] ?? [];
    }

    /** The tool in hand, and what stands against working with it. */
    public function tool(): RowItem
    {
        $calibration = new Calibration($this->calibrated);
        if ($calibration->goodUntil === null) {
            return new RowItem(
                '',
                ['{tool}' => 'It is within its calibration; number and date are written down.'],
                asked: 'calibration unknown',
            );
        }
        $until = $calibration->goodUntil->format('Y-m-d');

        return new RowItem('', [
            '{tool}' => "The tool of the pack list, good until $until; its number is written down.",
        ], asked: "calibrated until $until", stoppedBy: $calibration->isGoodOn($this->workDate) ? [] : [
            "The calibration of the tool on the pack list ended on $until. What it clicks at is not known: "
            . 'take another, and write its date into the pack list.',
        ]);
    }

    /**
     * @param array{id: string, name: string, ...} $enclosure
     * @param array<string, mixed>                 $line
     * @param array<string, mixed>                 $point what `torque` says of it
     */
    private function lug(array $enclosure, array $line, array $point): RowItem
    {
        // What a person reads and types is what is judged: the limits are those of two decimals.
        $in = fn(mixed $inLb): ?float => is_int($inLb) || is_float($inLb) ? round($inLb * self::PER_IN_LB[$this->unit], 2) : null;
        [$low, $target, $high] = [$in($point['low_in_lb']), $in($point['target_in_lb']), $in($point['high_in_lb'])];
        [$conductor, $terminal, $feeder, $size, $screw] = array_map(
            static fn(string $key): string => is_string($line[$key] ?? null) ? $line[$key] : '',
            ['conductor', 'terminal', 'feeder', 'size', 'screw'],
        );

        return new RowItem(
            "-{$enclosure['id']}-$conductor-" . RowItem::slug($feeder),
            [
                '{enclosure}' => $enclosure['name'],
                '{enclosure_id}' => $enclosure['id'],
                '{lug}' => "$terminal, $conductor of $feeder",
                '{size}' => $size,
                '{screw}' => str_replace('_', ' ', $screw)
                    . (is_string($line['socket_in'] ?? null) && $screw === 'hex_socket' ? " {$line['socket_in']} in" : ''),
                '{by}' => $point['source'] === 'maker'
                    ? 'By its maker.'
                    : 'By the table, a last resort: the maker\'s label or sheet comes first.',
            ],
            new Band('Torque', self::UNITS[$this->unit], $low, $high, $target, $high, $low),
            $target === null ? [
                'There is no torque value for this screw. Find the maker\'s sheet, and write its value into the landing list.',
            ] : [],
        );
    }

    /** @param list<array<string, mixed>> $lines in the order of landing */
    private static function orderAsked(array $lines): string
    {
        $keys = ['conductor', 'colour', 'reid', 'terminal'];
        $one = static fn(array $line): string => implode(
            '/',
            array_map(static fn(string $key): string => is_string($line[$key] ?? null) ? $line[$key] : '', $keys),
        );

        return 'order ' . substr(hash('sha256', implode(';', array_values(array_unique(array_map($one, $lines))))), 0, 16);
    }

    /** @param list<array<string, mixed>> $lines in the order of landing */
    private static function order(array $lines): string
    {
        $text = static fn(array $line, string $key): string => is_string($line[$key] ?? null) ? $line[$key] : '';
        $words = array_map(static fn(array $line): string => sprintf(
            '%s (%s%s) on %s',
            $text($line, 'conductor'),
            $text($line, 'colour'),
            $text($line, 'reid') === '' ? '' : ", {$text($line, 'reid')} tape",
            $text($line, 'terminal'),
        ), $lines);

        return $words === [] ? 'Nothing lands here.' : 'In this order: ' . implode('; ', array_values(array_unique($words))) . '.';
    }
}

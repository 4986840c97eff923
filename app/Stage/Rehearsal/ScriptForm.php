<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Side;
use Escapement\Core\Rehearsal\Script\Block;
use Escapement\Core\Rehearsal\Script\BlockKind;
use Escapement\Core\Rehearsal\Script\Script;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Wire\EventReader;
use Illuminate\Support\MessageBag;

/** A script as a form: rows of typed fields made from its pieces, and pieces made from typed rows. */
final readonly class ScriptForm
{
    public const MOST_ROWS = 40;

    public function __construct(private SwitchFacts $facts) {}

    /** @return list<ScriptRow> */
    public function rows(Script $script): array
    {
        $rows = [];
        foreach ($script->blocks as $i => $block) {
            $rows[] = new ScriptRow($i, $block->kind, array_filter([
                'kind' => $block->kind->value,
                'side' => $block->side->value,
                'at' => self::seconds($block->atMs),
                'lasts' => $block->lastsMs === null ? '' : self::seconds($block->lastsMs),
                'v' => $block->v === null ? '' : (count(array_unique($block->v)) === 1 ? (string) $block->v[0] : implode(' / ', $block->v)),
                'hz' => (string) $block->hz,
                'fall' => $block->fallMs === 0 ? '' : self::seconds($block->fallMs),
                'back' => $block->backMs === 0 ? '' : self::seconds($block->backMs),
                'count' => (string) $block->count,
                'reason' => $block->reason,
                'with_load' => $block->withLoad ? '1' : '0',
                'load' => $block->load,
                'kw' => (string) $block->kw,
                'other' => $block->other === null ? '' : json_encode($block->other->toArray(), JSON_THROW_ON_ERROR),
            ], static fn(string $text): bool => $text !== ''));
        }

        return $rows;
    }

    /** @return list<ScriptRow> rows as they were sent, whatever was sent */
    public function sent(mixed $input): array
    {
        $rows = [];
        foreach (array_slice(is_array($input) ? $input : [], 0, self::MOST_ROWS) as $row) {
            $kind = is_array($row) && is_string($row['kind'] ?? null) ? BlockKind::tryFrom($row['kind']) : null;
            if (is_array($row) && $kind !== null && ! isset($row['gone'])) {
                $typed = array_map(static fn(mixed $text): string => is_scalar($text) ? mb_substr(trim((string) $text), 0, 300) : '', $row);
                $rows[] = new ScriptRow(count($rows), $kind, $typed);
            }
        }

        return $rows;
    }

    /** A new piece with what is usual for it, beginning at the cursor. */
    public function usual(BlockKind $kind, int $place, string $at): ScriptRow
    {
        $source = $this->facts->plant->normal;
        $load = $this->facts->loads()[0] ?? null;
        $typed = match ($kind) {
            BlockKind::Volts => ['v' => '0', 'lasts' => '60'],
            BlockKind::Hertz => ['hz' => (string) round($source->nominalHz * 0.94, 1), 'lasts' => '30', 'fall' => '5'],
            BlockKind::Reversed, BlockKind::ByHand, BlockKind::SelectorOff => ['lasts' => '60'],
            BlockKind::Test => ['lasts' => '300', 'with_load' => '1'],
            BlockKind::CrankFailures => ['count' => '1'],
            BlockKind::EngineTrip => ['reason' => 'low oil pressure'],
            BlockKind::Load => ['load' => $load->id ?? '', 'kw' => (string) (($load->kw ?? 0) + 3)],
            BlockKind::EngineReset, BlockKind::Other => [],
        };

        return new ScriptRow($place, $kind, ['kind' => $kind->value, 'side' => 'normal', 'at' => is_numeric($at) ? $at : '10'] + $typed);
    }

    /** @param list<ScriptRow> $rows */
    public function script(array $rows, MessageBag $errors): ?Script
    {
        $blocks = array_map(fn(ScriptRow $row): Block => $this->block($row, $errors), $rows);
        if ($errors->isNotEmpty()) {
            return null;
        }
        usort($blocks, static fn(Block $a, Block $b): int => $a->atMs <=> $b->atMs);

        return new Script($blocks);
    }

    /**
     * @param list<array<string, mixed>> $events on the wire
     *
     * @return list<ScenarioEvent>
     *
     * @throws BadInput
     */
    public function read(array $events): array
    {
        return (new EventReader($this->facts->plant, $this->facts->loads()))->events(Node::fromArray($events));
    }

    private function block(ScriptRow $row, MessageBag $errors): Block
    {
        $typed = new TypedRow($row, $errors);
        $side = Side::tryFrom($typed->text('side')) ?? Side::Normal;
        $load = $typed->text('load');
        if ($typed->has('load') && ! in_array($load, array_column($this->facts->loads(), 'id'), true)) {
            $typed->fault('load', "There is no load \"$load\" on this switch.");
        }

        return new Block(
            $row->kind,
            $typed->ms('at'),
            $typed->maybeMs('lasts'),
            $side,
            $typed->has('v') ? $typed->volts($this->facts->plant->source($side)->phases) : null,
            $typed->maybeNumber('hz', 1000),
            $typed->maybeMs('fall') ?? 0,
            $typed->maybeMs('back') ?? 0,
            (int) ($typed->maybeNumber('count', 10) ?? 1),
            mb_substr($typed->text('reason') === '' ? 'trip' : $typed->text('reason'), 0, 64),
            ($row->typed['with_load'] ?? '1') === '1',
            $load,
            $typed->maybeNumber('kw', 100_000) ?? 0,
            $row->kind === BlockKind::Other ? $this->other($row, $errors) : null,
        );
    }

    private function other(ScriptRow $row, MessageBag $errors): ?ScenarioEvent
    {
        $said = json_decode($row->typed['other'] ?? '', true);
        try {
            return $this->read([['at_ms' => (int) round((float) ($row->typed['at'] ?? 0) * 1000)] + (is_array($said) ? $said : [])])[0];
        } catch (BadInput $e) {
            $errors->add("b.$row->place.at", $e->getMessage());

            return null;
        }
    }

    private static function seconds(int $ms): string
    {
        return rtrim(rtrim(sprintf('%.3f', $ms / 1000), '0'), '.');
    }
}

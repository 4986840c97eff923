<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Bridge\CircuitFacts;
use App\Drawing\Ink;
use App\Drawing\Ladder\LadderDrawing;
use App\Drawing\Ladder\LadderLook;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\RelayLogic\Terminals\TerminalList;
use Escapement\Core\RelayLogic\Terminals\TerminalResult;

/** From the diagram to the bench: wires, terminal strip, cross-references, parts, and what a continuity tester must find. */
final readonly class TerminalsPage
{
    public SiteStanding $standing;
    public TerminalResult $list;
    private CircuitFacts $facts;
    private CircuitWords $words;

    public function __construct(public TransferSwitch $switch, public Circuit $stored, public bool $numbersByRung)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->facts = new CircuitFacts($stored);
        $this->words = new CircuitWords($this->facts->circuit);
        $this->list = (new TerminalList())->of($this->facts->terminals($switch->site->units === 'metric', $numbersByRung));
    }

    public static function ladderOf(TransferSwitch $switch, Circuit $stored): LadderDrawing
    {
        return new LadderDrawing(
            CircuitFacts::read($stored->document),
            new LadderLook(new Ink(true), $switch->site->units === 'metric'),
        );
    }

    /** A rung, a start or a contact that must read closed, in words. */
    public function path(string $id): string
    {
        $contact = $this->words->contactOf($id);

        return $contact === null ? $id : $contact->words() . ' in ' . explode(':', $id)[0];
    }

    /** What to do before this row of the continuity sheet. */
    public function state(string $state): string
    {
        [$device, $position] = explode(':', $state) + [1 => ''];

        return match ($position) {
            '' => 'Nothing operated',
            'in' => "$device held in",
            'pressed' => "$device pressed",
            default => "$device at $position",
        };
    }

    /** @param array{by_hand: bool, ...} $row of the continuity table */
    public function byHand(array $row): string
    {
        return $row['by_hand'] ? 'by hand' : 'not by hand: bridge its contact';
    }
}

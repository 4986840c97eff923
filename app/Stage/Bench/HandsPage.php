<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Bridge\BenchFacts;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Bench\BenchPlay;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Simulation\SourceNames;

/** What hands do to a made-up switch with the settings of this sheet, and what its lamps and meters show then. */
final readonly class HandsPage
{
    public SiteStanding $standing;
    public ?string $lacks;
    /** @var array<string, array{name: string, teaches: string, inputs: list<array<string, mixed>>, until_ms: int}> */
    public array $stories;
    public string $story;
    /** @var list<HandsRow> */
    public array $rows;
    /** @var list<Finding> */
    public array $findings;
    public bool $hasEngine;

    public function __construct(public TransferSwitch $switch, string $story)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $facts = new BenchFacts($switch);
        $this->stories = $facts->stories();
        $this->story = isset($this->stories[$story]) ? $story : 'outage';
        $this->hasEngine = $facts->facts->plant->kind->hasEngine();
        $rows = $findings = [];
        $lacks = $facts->lacks();
        if ($lacks === null) {
            try {
                [$rows, $findings] = $this->played($facts);
            } catch (BadInput $bad) {
                $lacks = 'Survey and sheet do not make a bench: ' . $bad->getMessage();
            }
        }
        [$this->rows, $this->findings, $this->lacks] = [$rows, $findings, $lacks];
    }

    /** The meter shows another power than flows. */
    public function isMisread(): bool
    {
        return array_filter($this->rows, static fn(HandsRow $row): bool => $row->meterKw !== $row->busKw) !== [];
    }

    /**
     * @return array{list<HandsRow>, list<Finding>}
     *
     * @throws BadInput
     */
    private function played(BenchFacts $facts): array
    {
        $story = $this->stories[$this->story];
        $names = SourceNames::of($facts->facts->plant);
        $first = new BenchPlay($facts->input($story, []));
        $first->play();
        $moments = [0 => ['acts' => [], 'events' => []]];
        foreach ($story['inputs'] as $input) {
            $at = is_int($input['at_ms']) ? $input['at_ms'] : 0;
            $moments[$at]['acts'][] = HandsWords::of($input);
        }
        foreach ($first->happened() as $event) {
            $moments[$event->tMs]['events'][] = $event->headline($names);
        }
        ksort($moments);
        $play = new BenchPlay($facts->input($story, array_keys($moments)));
        $result = $play->play();
        $rows = [];
        foreach ($result->values['samples'] as $sample) {
            $moment = $moments[$sample['t_ms']];
            $rows[] = new HandsRow($sample, $moment['acts'] ?? [], $moment['events'] ?? [], $names);
        }

        return [$rows, $result->findings];
    }
}

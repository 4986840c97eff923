<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Bridge\SwitchFacts;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Rehearsal\StoryNumber;
use Escapement\Core\Settings\Settings;
use Illuminate\Support\MessageBag;

final readonly class StoryPlot implements Plot
{
    /** @param array<string, string> $typed numbers by name, as typed; the default where there is none */
    public function __construct(public Story $story, private array $typed, private ?PlantKind $kind = null) {}

    public function key(): string
    {
        return $this->story->value;
    }

    public function title(): string
    {
        return $this->story->title();
    }

    public function teaches(): string
    {
        return $this->story->teaches();
    }

    /** @return list<StoryNumber> that one may turn on this plant */
    public function numbers(): array
    {
        return $this->story->numbers($this->kind);
    }

    public function typed(StoryNumber $number): string
    {
        return $this->typed[$number->name] ?? ($number->isTime ? rtrim(
            rtrim(sprintf('%.3f', $number->default / 1000), '0'),
            '.',
        ) : (string) $number->default);
    }

    public function scenario(SwitchFacts $facts, Settings $settings, MessageBag $errors): ?Scenario
    {
        $numbers = [];
        foreach ($this->numbers() as $number) {
            $text = str_replace(',', '.', $this->typed[$number->name] ?? '');
            $value = $text === '' ? $number->default : (is_numeric($text) ? (int) round((float) $text * ($number->isTime ? 1000 : 1)) : -1);
            if ($value < 0 || $value > $number->max) {
                $most = $number->isTime ? $number->max / 1000 . ' s' : (string) $number->max;
                $errors->add("n.$number->name", "$number->label: from 0 to $most.");
            }
            $numbers[$number->name] = $value;
        }
        if ($errors->isNotEmpty()) {
            return null;
        }

        return $facts->scenario(
            $this->story->sheet($settings, $numbers),
            $this->story->events($numbers, $facts->plant, $facts->loads()),
            $this->story->untilMs($numbers, $facts->plant, $settings),
        );
    }

    public function carried(): array
    {
        $numbers = [];
        foreach ($this->numbers() as $number) {
            $numbers[$number->name] = $this->typed($number);
        }

        return ['story' => $this->key(), 'n' => $numbers];
    }
}

<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\TransferSwitch;
use Escapement\Core\Planning\ClassSheet;
use Escapement\Core\Survey\NameplatePhoto;

/** What a picture of a switch can be marked to show: a nameplate, or a fact that its class, service or place must have. */
final readonly class PhotoShows
{
    public function __construct(private TransferSwitch $switch) {}

    /** @return array<string, array<string, string>> words by name, by group */
    public function groups(): array
    {
        $kind = $this->switch->site->installation;
        $groups = ['Nameplates' => array_map(ucfirst(...), NameplatePhoto::of($kind))];
        foreach ((new ClassSheet($kind, $this->switch->survey ?? []))->groups() as $title => $facts) {
            foreach ($facts as $fact) {
                $groups[$title][$fact->question->key] = $fact->question->label;
            }
        }

        return $groups;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_map(strval(...), array_keys(array_merge(...array_values($this->groups()))));
    }

    public function words(string $name): string
    {
        return array_merge(...array_values($this->groups()))[$name] ?? $name;
    }

    /** What a picture is evidence of, behind its moment; nothing where nobody marked it. */
    public function evidence(?string $name): string
    {
        return $name === null ? '' : ' Evidence of: ' . lcfirst($this->words($name)) . '.';
    }
}

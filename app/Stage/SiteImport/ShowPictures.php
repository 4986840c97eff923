<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

use App\Models\TransferSwitch;
use Escapement\Core\Survey\Subject;
use Illuminate\Contracts\View\View;

/** Many pictures at once, each to the place that its name says. */
final readonly class ShowPictures
{
    public function __invoke(): View
    {
        $places = [];
        $query = TransferSwitch::query()->with('site');
        foreach ($query->orderBy('id')->get() as $switch) {
            $places["{$switch->site->name}, $switch->name"] = $switch->id;
        }
        ksort($places);
        $subjects = array_filter(Subject::cases(), static fn(Subject $one): bool => $one !== Subject::Photos);

        return view('site-import.pictures', ['setup' => json_encode([
            'places' => $places,
            'subjects' => array_map(
                static fn(Subject $one): array => ['value' => $one->value, 'label' => $one->label()],
                array_values($subjects),
            ),
            'look' => route('pictures.look'), 'take' => route('pictures.take'),
        ], JSON_THROW_ON_ERROR), 'places' => array_keys($places)]);
    }
}

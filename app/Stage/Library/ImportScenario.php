<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Models\Scenario;
use App\Models\User;
use App\Stage\Rehearsal\ScenarioFile;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Source;
use Escapement\Core\Wire\EventReader;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** Reads a scenario from a file. What is wrong is named by its JSON Pointer, and nothing is kept. */
final readonly class ImportScenario
{
    private const MOST_BYTES = 4_000_000;

    public function __invoke(Request $request): RedirectResponse
    {
        $file = $request->file('scenario');
        if (! $file instanceof UploadedFile || ! $file->isValid() || $file->getSize() > self::MOST_BYTES) {
            throw ValidationException::withMessages(['scenario' => 'Choose a scenario file of 4 MB at most.']);
        }
        try {
            $read = (new ScenarioFile())->read($file->getContent());
            $this->check($read);
        } catch (BadInput $e) {
            throw ValidationException::withMessages([
                'scenario' => ($e->path === '' ? '' : "At $e->path: ") . $e->getMessage() . ' Nothing was kept.',
            ]);
        }
        /** @var User $user */
        $user = $request->user();
        $scenario = Scenario::query()->firstOrNew(['company_id' => $user->company_id, 'name' => $read['name']]);
        if ($scenario->exists) {
            throw ValidationException::withMessages([
                'scenario' => "There is a scenario \"{$read['name']}\" already. Rename one of the two. Nothing was kept.",
            ]);
        }
        $scenario->fill($read + ['user_id' => $user->id])->save();

        return redirect()->route('library')->with('said', "\"$scenario->name\" is read, " . count($read['events']) . ' events.');
    }

    /**
     * The events must be ones that some plant with this supply can play.
     *
     * @param array{phases: int, nominal_v: float, nominal_hz: float, events: list<array<string, mixed>>, ...} $read
     *
     * @throws BadInput
     */
    private function check(array $read): void
    {
        $source = new Source($read['phases'], $read['nominal_v'], $read['nominal_hz']);
        $hasBoth = array_filter($read['events'], static fn(array $event): bool => ($event['source'] ?? '') === 'emergency') !== [];
        $plant = $hasBoth ? new Plant(PlantKind::TwoSource, $source, $source, null) : new Plant(
            PlantKind::Standby,
            $source,
            $source,
            new Engine(0, 0, 0, 1, 0, 0),
        );
        $names = array_unique(array_filter(
            array_map(static fn(array $event): mixed => $event['load'] ?? null, $read['events']),
            is_string(...),
        ));
        $loads = array_map(static fn(string $name): Load => new Load($name, 0, 1, false), array_values($names));
        (new EventReader($plant, $loads))->events(new Node(Node::fromArray($read['events'])->value, '/events'));
    }
}

<?php

declare(strict_types=1);

namespace App\Stage\Devices;

use App\Http\Typed;
use App\Models\DeviceProfile;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Device\ProfileReader;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** Keeps a map of registers, from CSV or JSON; under a name that is there it takes the place of the old one. */
final readonly class AddProfile
{
    private const MOST_BYTES = 100_000;

    public function __invoke(Request $request): RedirectResponse
    {
        $file = $request->file('file');
        $text = $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= self::MOST_BYTES
            ? $file->getContent() : Typed::text($request, 'map', self::MOST_BYTES);
        $name = Typed::text($request, 'profile_name', 120);
        if ($name === '' || ! mb_check_encoding($text, 'UTF-8')) {
            throw ValidationException::withMessages($name === '' ? ['profile_name' => 'A name, as the meter is called in the house.']
                : ['map' => 'A table of text in UTF-8.']);
        }
        try {
            $isJson = str_starts_with(ltrim($text), '{');
            $node = $isJson ? Node::fromJson($text) : Node::fromArray(ProfileReader::fromCsv($text, $name));
            $profile = (new ProfileReader())->profile($node);
        } catch (BadInput $fault) {
            throw ValidationException::withMessages(['map' => self::words($fault, $isJson)]);
        }
        /** @var User $user */
        $user = $request->user();
        $kept = DeviceProfile::query()->updateOrCreate(['company_id' => $user->company_id, 'name' => $name], [
            'user_id' => $user->id, 'profile' => [
                'format' => ProfileReader::FORMAT, 'name' => $name, 'rows' => array_map(ProfileReader::row(...), $profile->places),
            ],
        ]);

        return redirect()->route('devices')->with('said', "$name is kept, with " . count($profile->places) . ' quantities.')
            ->with('profile', $kept->id);
    }

    /** A row of a CSV is named by its line: the heading is the first. */
    private static function words(BadInput $fault, bool $isJson): string
    {
        if (! $isJson && preg_match('#^/rows/(\d+)(?:/(\w+))?#', $fault->path, $at) === 1) {
            return 'Line ' . ((int) $at[1] + 2) . (isset($at[2]) ? ", $at[2]" : '') . ": {$fault->getMessage()}";
        }

        return ($fault->path === '' || ! $isJson ? '' : "At $fault->path: ") . $fault->getMessage();
    }
}

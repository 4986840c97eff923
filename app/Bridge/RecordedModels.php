<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\RecordEntry;
use App\Models\User;
use Carbon\Exceptions\InvalidFormatException;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Record\HeadSeal;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/** What a record from elsewhere says, as models that are never saved. */
final readonly class RecordedModels
{
    public static function seal(mixed $said): ?string
    {
        $said = $said instanceof \stdClass ? get_object_vars($said) : $said;

        return is_array($said) && is_string($said['key'] ?? null) && is_string($said['signature'] ?? null)
            ? (new HeadSeal($said['key'], $said['signature']))->kept() : null;
    }

    /** @param array<string, mixed> $entry with its hash */
    public static function entry(array $entry): RecordEntry
    {
        $hash = $entry['hash'];
        unset($entry['hash']);

        return self::model(
            new RecordEntry(),
            [
                'hash' => $hash,
                'entry' => json_encode(
                    $entry,
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
                ),
            ],
        );
    }

    /** @throws BadInput */
    public static function moment(string $text, string $path): Carbon
    {
        try {
            return Carbon::parse($text);
        } catch (InvalidFormatException) {
            throw new BadInput($path, 'A time is written as 2026-11-23T09:00:00.000Z.');
        }
    }

    /** @throws BadInput */
    public static function timezone(mixed $name): string
    {
        return is_string($name) && in_array($name, timezone_identifiers_list(), true) ? $name
            : throw new BadInput('/site/timezone', 'There is no such time zone.');
    }

    public static function person(string $name): User
    {
        return self::model(new User(), ['name' => $name]);
    }

    /**
     * @template T of Model
     *
     * @param T                    $model
     * @param array<string, mixed> $columns
     *
     * @return T
     */
    public static function model(Model $model, array $columns): Model
    {
        return $model->forceFill($columns);
    }

    /** @return array<string, mixed> */
    public static function asArray(mixed $value): array
    {
        /** @var array<string, mixed> */
        return json_decode(json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true, 64, JSON_THROW_ON_ERROR);
    }
}

<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

use App\Models\TransferSwitch;
use Escapement\Core\Survey\Subject;

/**
 * Where a picture belongs by the name of its file: the longest name of a site that stands in it word by word, and of several switches there
 * the one that is named too. What two places claim belongs to none until somebody says.
 */
final readonly class PictureName
{
    private const SUBJECTS = [
        'panels' => ['panel', 'panels', 'board', 'subpanel', 'breaker', 'breakers'],
        'source' => ['generator', 'genset', 'engine', 'nameplate', 'plate', 'tank', 'battery'],
        'place' => ['pad', 'outside', 'yard', 'window', 'clearance', 'fence'],
        'rules' => ['label', 'labels', 'marking', 'sticker'],
    ];

    /** @var list<array{words: string, switch: TransferSwitch, name: string}> */
    private array $places;

    /** @param iterable<TransferSwitch> $switches with their sites */
    public function __construct(iterable $switches)
    {
        $places = [];
        foreach ($switches as $switch) {
            $places[] = ['words' => self::plain($switch->site->name), 'switch' => $switch, 'name' => self::plain($switch->name)];
        }
        $this->places = $places;
    }

    /** Null: no place, or more than one. */
    public function switch(string $file): ?TransferSwitch
    {
        $words = self::plain((string) preg_replace('/\.\w+$/', '', $file));
        $best = [];
        $longest = 1;
        foreach ($this->places as $place) {
            $length = strlen($place['words']);
            if ($length >= $longest && str_contains($words, $place['words'])) {
                $best = $length > $longest ? [$place] : [...$best, $place];
                $longest = $length;
            }
        }
        $named = array_values(array_filter(
            $best,
            static fn(array $place): bool => str_contains(str_replace($place['words'], ' ', $words), $place['name']),
        ));
        $sites = array_unique(array_map(static fn(array $place): int => $place['switch']->site_id, $best));

        return match (true) {
            count($best) === 1 => $best[0]['switch'],
            count($sites) === 1 && count($named) === 1 => $named[0]['switch'],
            default => null,
        };
    }

    public static function subject(string $file): Subject
    {
        $words = self::plain((string) preg_replace('/\.\w+$/', '', $file));
        foreach (self::SUBJECTS as $subject => $signs) {
            foreach ($signs as $sign) {
                if (str_contains($words, " $sign ")) {
                    return Subject::from($subject);
                }
            }
        }

        return Subject::Service;
    }

    /** Small letters and figures, a space between words and at both ends. */
    private static function plain(string $name): string
    {
        return ' ' . trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', mb_strtolower($name))) . ' ';
    }
}

<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;

/** Requests that nobody means well by, the same ones for the same seed: every route, with fields of every form and values of every kind. */
final class Fuzz
{
    private const MOST_FIELDS = 6;
    private const LONG = 70_000;

    /** @var list<string> */
    private array $names;

    public function __construct(int $seed)
    {
        mt_srand($seed);
        $this->names = self::fieldNames();
    }

    /**
     * @param array<string, int|string> $ids that are there, by the name of the parameter
     *
     * @return array{string, array<string, mixed>, array<string, mixed>} address, what is sent, headers
     */
    public function request(Route $route, array $ids): array
    {
        $filled = fn(array $part): string => rawurlencode($this->parameter($part[1], $ids));
        $path = '/' . preg_replace_callback('/\{(\w+)\??\}/', $filled, $route->uri());
        $fields = [];
        for ($i = mt_rand(0, self::MOST_FIELDS); $i > 0; $i--) {
            $this->put($fields, $this->one($this->names), $this->value());
        }
        if (mt_rand(0, 9) === 0) {
            $fields[$this->one(['file', 'photo', 'photos', 'table', 'events', 'logo', 'files', 'recording'])] = $this->file();
        }
        $headers = mt_rand(0, 3) === 0 ? ['HTTP_ACCEPT' => 'application/json'] : [];

        return [$path, $fields, $headers + (mt_rand(0, 5) === 0 ? ['HTTP_HX-REQUEST' => 'true'] : [])];
    }

    /** @param array<string, int|string> $ids */
    private function parameter(string $name, array $ids): string
    {
        $bad = ['0', '-1', '999999999', '99999999999999999999', '1e3', 'x', "\0", '../..', str_repeat('9', 300), "\xFF", '%00', '1 OR 1=1'];

        return mt_rand(0, 9) < 7 && isset($ids[$name]) ? (string) $ids[$name] : $this->one($bad);
    }

    private function value(int $depth = 0): mixed
    {
        $plain = [
            '', ' ', null, true, false, 0, -1, 1, '1', '-1', '1e308', 'NaN', '9999999999999999999999', '0x1A', '1,5', '1.5.5', "\0", "a\0b",
            "\xFF\xFE", 'Ω≈ç√', '<script>alert(1)</script>', "'; DROP TABLE sites; --", '../../etc/passwd', '2026-02-30', '2026-11-27',
            '2026-11-27T14:35:00Z', '99:99', '14:35', '{"a":', '[]', 'K1', 'K99', 'diesel', 'us', str_repeat('x', self::LONG),
            str_repeat('9', 400), '00000000-0000-4000-8000-000000000000', 'M1 2L3 4', '%s%n', PHP_INT_MAX, PHP_INT_MIN, 1.5e300, '½',
            "1\r\n2",
        ];
        $nested = mt_rand(0, 7);
        if ($nested === 0 && $depth < 4) {
            return [$this->value($depth + 1), $this->value($depth + 1)];
        }

        return $nested === 1 && $depth < 4 ? [(string) $this->one($this->names) => $this->value($depth + 1)] : $this->one($plain);
    }

    private function file(): UploadedFile
    {
        return UploadedFile::fake()->createWithContent(
            $this->one(['a.jpg', 'a.csv', 'a.json', 'a.cfg', '../x.dat', "b\0.csv", 'c.ics']),
            $this->one([
                '', "\xFF\xD8\xFF\xE0broken", '{"format":"x"}', "a,b\n1,2\n", str_repeat("x,y\n", 500), "BEGIN:VCALENDAR\n", "\0\0",
            ]),
        );
    }

    /**
     * @param array<array-key, mixed> $fields
     * @param string                  $name   as in a form: loads[0][kw]
     */
    private function put(array &$fields, string $name, mixed $value): void
    {
        $at = &$fields;
        foreach (preg_split('/[\[\]]+/', $name, -1, PREG_SPLIT_NO_EMPTY) ?: ['x'] as $part) {
            if (! is_array($at)) {
                $at = [];
            }
            $at = &$at[$part];
        }
        $at = $value;
    }

    /**
     * @template T
     *
     * @param list<T> $of
     *
     * @return T
     */
    private function one(array $of): mixed
    {
        return $of[mt_rand(0, count($of) - 1)];
    }

    /** @return list<string> names of fields in all forms, and of keys that scripts send */
    private static function fieldNames(): array
    {
        $names = ['marks', 'answers', 'readings', 'entries', 'names', 'loads', 'was', 'on', 'view', 'page', 'per_page', 'q', 'sort'];
        $views = new \RecursiveDirectoryIterator(resource_path('views'), \FilesystemIterator::SKIP_DOTS);
        foreach (new \RecursiveIteratorIterator($views) as $file) {
            $text = (string) file_get_contents((string) $file);
            preg_match_all('/\bname="([^"{$]+)(?:\{\{[^}]*\}\}([^"{]*))?"/', $text, $found, PREG_SET_ORDER);
            foreach ($found as $one) {
                $names[] = $one[1] . (isset($one[2]) ? '0' . $one[2] : '');
            }
        }
        $names = array_values(array_unique($names));
        sort($names);

        return $names;
    }
}

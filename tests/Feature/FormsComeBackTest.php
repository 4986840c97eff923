<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use Tests\WalksRoutes;

/** A form that came in another shape than it was given out in (a list for a field, a word for a list) comes back as a page. */
final class FormsComeBackTest extends TestCase
{
    use WalksRoutes;

    private const LEFT_OUT = ['/logout'];

    #[Test, DataProvider('kinds')]
    public function a_form_in_another_shape_comes_back_as_a_page(InstallationKind $kind): void
    {
        $user = $this->signIn(Role::Lead);
        $switch = $this->switchOf($user, $kind);
        $ids = $this->ids($switch->site_id, $switch->id, $this->runOf($switch)->id);
        config(['cache.default' => 'null']);
        $failed = [];
        $sent = 0;
        foreach ($this->forms($ids) as [$page, $action, $fields]) {
            foreach (self::shapes($fields) as $shape) {
                $kept = array_intersect_key($fields, ['_method' => 0]);
                DB::beginTransaction();
                $answer = $this->from($page)->followingRedirects()->post($action, $kept + $shape);
                $sent++;
                if ($answer->getStatusCode() >= 500) {
                    $fault = $answer->exception;
                    $where = $fault === null ? '' : "{$fault->getMessage()} at {$fault->getFile()}:{$fault->getLine()}";
                    $failed[] = "$action of $page: $where";
                }
                while (DB::transactionLevel() > 1) {
                    DB::rollBack();
                }
            }
        }
        self::assertGreaterThan(150, $sent);
        self::assertSame([], $failed);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach ([InstallationKind::WholeHouse, InstallationKind::Mobile50, InstallationKind::ContactorPair] as $kind) {
            yield $kind->value => [$kind];
        }
    }

    /**
     * @param array<string, mixed> $fields
     *
     * @return list<array<string, mixed>> a list in every field, the same in every line, words for lists, words for lines
     */
    private static function shapes(array $fields): array
    {
        $deep = $fields;
        array_walk_recursive($deep, static function (mixed &$value): void {
            $value = ['q' => $value];
        });

        $words = static fn(mixed $value): mixed => is_array($value) ? array_map(static fn(): string => 'zz', $value) : $value;

        return [
            array_map(static fn(mixed $value): mixed => is_string($value) ? ['q' => $value] : $value, $fields),
            $deep,
            array_map(static fn(): string => 'zz', $fields),
            array_map($words, $fields),
        ];
    }

    /**
     * @param array<string, int|string> $ids
     *
     * @return iterable<array{string, string, array<string, mixed>}> page, where it is sent, its fields as they stand
     */
    private function forms(array $ids): iterable
    {
        $known = [];
        foreach ($this->routes() as [$method, $route]) {
            if ($method !== 'GET') {
                continue;
            }
            $page = '/' . ltrim((string) preg_replace_callback(
                '/\{(\w+)\??\}/',
                static fn(array $found): string => (string) ($ids[$found[1]] ?? 1),
                $route->uri(),
            ), '/');
            $answer = $this->get($page);
            self::assertLessThan(500, $answer->getStatusCode(), $page);
            $html = $answer->getContent();
            if ($html === false || ! str_contains($html, '<form')) {
                continue;
            }
            $document = new \DOMDocument();
            @$document->loadHTML($html);
            foreach ($document->getElementsByTagName('form') as $form) {
                $action = (string) parse_url($form->getAttribute('action') ?: $page, PHP_URL_PATH);
                $names = $this->fields($document, $form);
                $print = preg_replace('/\d+/', 'N', $action) . ' ' . implode(',', array_keys($names));
                $isSent = strtolower($form->getAttribute('method')) === 'post' && ! in_array($action, self::LEFT_OUT, true);
                if ($isSent && ! isset($known[$print])) {
                    $known[$print] = true;
                    yield [$page, $action, $names];
                }
            }
        }
    }

    /** @return array<string, mixed> */
    private function fields(\DOMDocument $document, \DOMElement $form): array
    {
        $query = [];
        $id = $form->getAttribute('id');
        $own = $id === '' ? '' : " | //*[@name and @form=\"$id\"]";
        foreach ((new \DOMXPath($document))->query(".//*[@name]$own", $form) ?: [] as $field) {
            if ($field instanceof \DOMElement && $field->getAttribute('name') !== '_token' && $field->getAttribute('type') !== 'file') {
                $query[] = urlencode($field->getAttribute('name')) . '=' . urlencode($field->getAttribute('value'));
            }
        }
        parse_str(implode('&', $query), $fields);

        /** @var array<string, mixed> $fields */
        return $fields;
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Simulation\Verb;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The published schemas say what the readers take: what one refuses for its shape, the other refuses too. */
final class SchemaTest extends TestCase
{
    #[Test, DataProvider('cases')]
    public function a_case_that_is_computed_fits_its_schema(string $schema, \stdClass $input): void
    {
        $result = (new Validator())->validate($input, self::schema($schema));
        self::assertTrue($result->isValid(), (string) json_encode($result->error()?->data()->fullPath()));
    }

    /** @return iterable<string, array{string, \stdClass}> */
    public static function cases(): iterable
    {
        foreach (CaseFile::read('timing') as $name => [$case]) {
            yield "rehearse: $name" => ['rehearse', $case->input];
        }
        foreach (['settings', 'loads', 'wiring', 'topology', 'panel', 'schedule', 'bench'] as $chapter) {
            foreach (CaseFile::read($chapter) as $name => [$case]) {
                if (! isset($case->expect->error) && in_array($case->calc, Calculations::NAMES, true)) {
                    yield $name => [$case->calc, $case->input];
                }
            }
        }
    }

    #[Test]
    public function a_misspelt_setting_fits_no_schema(): void
    {
        foreach (self::cases() as [$schema, $input]) {
            if (in_array($schema, ['topology', 'bonding', 'one_line_layout', 'wiring_view', 'relay_check'], true)) {
                continue; // a drawing may carry keys of its own
            }
            $from = is_object($input->from ?? null) ? $input->from : null; // a day in a calendar
            $holder = $input->settings ?? $from ?? $input->candidates[0]->settings ?? $input;
            $holder->retrun_delay_ms = 1;
            self::assertFalse((new Validator())->validate($input, self::schema($schema))->isValid(), $schema);
        }
    }

    #[Test]
    public function every_calculation_has_a_schema_and_every_verb_is_in_it(): void
    {
        foreach (['rehearse', ...Calculations::NAMES] as $name) {
            self::assertStringContainsString('json-schema.org', self::schema($name));
        }
        $events = json_decode(self::schema('rehearse'), true)['$defs']['event']['oneOf'];
        $verbs = array_map(static fn(array $event): string => $event['properties']['do']['const'], $events);
        self::assertEqualsCanonicalizing(array_column(Verb::cases(), 'value'), $verbs);
    }

    private static function schema(string $name): string
    {
        return (string) file_get_contents(dirname(__DIR__, 3) . "/docs/schema/$name.schema.json");
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Settings;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Every public case of the settings and commissioning rules; of a finding what the case names is compared. */
final class SettingsCasesTest extends TestCase
{
    #[Test, DataProvider('cases')]
    public function it_answers_as_the_reference_does(\stdClass $case): void
    {
        $expected = CaseFile::asArray($case->expect);
        try {
            $result = CaseFile::asArray((new Calculations())->calc($case->calc, new Node($case->input)));
        } catch (BadInput $e) {
            self::assertSame($expected['error']['path'] ?? null, $e->path);

            return;
        }
        self::assertArrayHasKey('working', $result);
        unset($result['working']);
        foreach ($result['findings'] as $i => $finding) {
            self::assertNotSame('', $finding['because']);
            $result['findings'][$i] = array_intersect_key($finding, $expected['findings'][$i] ?? ['id' => true]);
        }
        foreach ($result['changes'] ?? [] as $i => $change) {
            unset($result['changes'][$i]['meaning']);
        }
        self::assertEquals($expected, $result);
    }

    /** @return iterable<string, array{\stdClass}> */
    public static function cases(): iterable
    {
        return CaseFile::read('settings');
    }
}

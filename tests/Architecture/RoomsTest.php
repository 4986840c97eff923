<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What no rule of PHPStan says of the rooms: what a stage may borrow from another. */
final class RoomsTest extends TestCase
{
    /**
     * What a stage may borrow from another: the sheet's form; for the report and the owner the words of the verdict, the one-line, the
     * landing list, the load test and the next exercise; for the board what is due and today's visits; for the fleet the kept statuses.
     */
    private const BORROWED = [
        'Rehearsal' => ['Settings'],
        'Library' => ['Rehearsal'],
        'LoadTest' => ['Board'],
        'Season' => ['Settings'],
        'Calendar' => ['Settings'],
        'Bench' => ['Commissioning', 'Settings'],
        'Board' => ['Upkeep', 'Visits'],
        'Commissioning' => ['Upkeep'],
        'Fleet' => ['Board'],
        'Handover' => ['Commissioning', 'LoadTest', 'Plan', 'Rehearsal', 'Settings', 'Upkeep'],
        'Plan' => ['Settings'],
        'Account' => ['Api'],
        'SiteImport' => ['Survey'],
        'Api' => ['Commissioning', 'LoadTest', 'Settings', 'Survey'],
    ];

    #[Test]
    public function a_stage_reaches_into_another_only_where_it_is_written_down(): void
    {
        foreach ($this->files('app/Stage') as $file) {
            if (preg_match('#app/Stage/(\w+)/#', $file, $stage) !== 1) {
                continue;
            }
            preg_match_all('/^use App\\\\Stage\\\\(\w+)\\\\/m', (string) file_get_contents($file), $others);
            foreach (array_diff(array_unique($others[1]), [$stage[1]], self::BORROWED[$stage[1]] ?? []) as $other) {
                self::fail("$file reaches into the stage $other");
            }
        }
        $this->addToAssertionCount(1);
    }

    #[Test]
    public function every_controller_has_one_action(): void
    {
        foreach ($this->files('app/Stage') as $file) {
            self::assertLessThanOrEqual(1, substr_count((string) file_get_contents($file), 'public function __invoke('), $file);
        }
    }

    #[Test]
    public function the_project_names_no_machine_and_no_other_place(): void
    {
        foreach (['app', 'core/src', 'config', 'routes', 'resources', 'database', 'bin', 'tests', 'docs'] as $room) {
            foreach ($this->files($room, '') as $file) {
                if ($file !== __FILE__ && ! str_ends_with($file, '.png') && ! str_ends_with($file, '.woff2')) {
                    self::assertDoesNotMatchRegularExpression(
                        '#https?://(?!127\.0\.0\.1|www\.w3\.org|json-schema\.org|escapement\.example|\$host|@HOST@|openfontlicense'
                            . '|scripts\.sil|github\.com/googlefonts)#',
                        (string) file_get_contents($file),
                        $file,
                    );
                }
            }
        }
    }

    /** @return list<string> */
    private function files(string $room, string $ending = '.php'): array
    {
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(
            dirname(__DIR__, 2) . "/$room",
            \FilesystemIterator::SKIP_DOTS,
        )) as $file) {
            if (str_ends_with((string) $file, $ending)) {
                $files[] = (string) $file;
            }
        }

        return $files;
    }
}

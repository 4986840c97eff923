<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\KeptRecord;
use App\Models\Company;
use App\Models\Role;
use App\Models\Run;
use App\Models\User;
use App\Models\Webhook;
use App\Stage\Moving\CompanyArchive;
use App\Stage\Moving\CompanyRows;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** A company goes to another machine: all of it arrives as it left, or nothing does. */
final class MovingTest extends TestCase
{
    private string $folder;
    private Company $company;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir() . '/moving-' . bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    #[Test]
    public function everything_arrives_as_it_left_and_nothing_secret_opens(): void
    {
        $lead = $this->withWork();
        $before = (new CompanyRows($this->company))->sums();
        $this->away();
        self::assertSame(0, Run::query()->withoutGlobalScope('company')->count());

        $isTaken = Artisan::call('company:import', ['file' => "$this->folder/all.zip"]);
        $said = Artisan::output();
        self::assertSame(0, $isTaken, $said);
        self::assertStringContainsString("php artisan person:reset $lead->email", $said);
        self::assertSame($before, (new CompanyRows($this->company))->sums());
        self::assertGreaterThan(15, array_sum(array_column($before, 'rows')));
        self::assertNotSame([], iterator_to_array(KeptRecord::all($this->company->id)));

        $this->app['auth']->forgetGuards();
        $this->post('/login', ['email' => $lead->email, 'password' => 'a long enough secret'])->assertSessionHasErrors('email');
        $this->actingAs(User::query()->findOrFail($lead->id));
        $run = Run::query()->firstOrFail();
        $this->get("/runs/$run->id/report")->assertOk()->assertSee('whole');
        $this->get('/webhooks')->assertOk()->assertSee('escapement.example/hook');
        self::assertNotSame('the secret of before', Webhook::query()->firstOrFail()->secret);
        self::assertSame(1, Artisan::call('company:import', ['file' => "$this->folder/all.zip"]), 'twice is once');
    }

    #[Test]
    public function where_a_number_or_an_address_is_taken_nothing_is_done(): void
    {
        $lead = $this->withWork();
        $this->away();
        $other = $this->signIn();
        $other->update(['email' => $lead->email]);
        self::assertSame(1, Artisan::call('company:import', ['file' => "$this->folder/all.zip"]));
        self::assertStringContainsString('is taken on this machine', Artisan::output());
        self::assertSame(1, User::query()->count());
        self::assertNull(Company::query()->find($this->company->id));
        $other->update(['email' => 'other@else.example']);
        self::assertSame(0, Artisan::call('company:import', ['file' => "$this->folder/all.zip"]), Artisan::output());
    }

    /** @return iterable<string, array{\Closure(\ZipArchive): mixed, string}> */
    public static function faults(): iterable
    {
        yield 'no manifest' => [static fn(\ZipArchive $zip) => $zip->deleteName('manifest.json'), 'no export of a company'];
        yield 'another form' => [self::manifest(['form' => 'something/2']), 'no export of a company'];
        yield 'another edition' => [self::manifest(['edition' => '2020_01_01_000000_before']), 'another edition'];
        yield 'a table that is none' => [self::manifest(['tables' => ['migrations' => ['rows' => 0, 'sha256' => '']]]), 'not whole'];
        yield 'a table left out' => [static fn(\ZipArchive $zip) => $zip->deleteName('rows/marks.jsonl'), 'missing'];
        yield 'a picture left out' => [self::withoutPicture(...), 'The picture'];
        yield 'a picture changed' => [static function (\ZipArchive $zip): void {
            $zip->addFromString((string) self::picture($zip), 'another');
        }, 'changed or cut'];
        yield 'a row changed' => [self::replaced('sites', 'Fern Hill 3', 'Fern Hill 4'), 'changed or cut'];
        yield 'a row cut' => [static fn(\ZipArchive $zip) => $zip->addFromString('rows/marks.jsonl', ''), 'changed or cut'];
        yield 'no JSON' => [static fn(\ZipArchive $zip) => $zip->addFromString('rows/sites.jsonl', "{\n"), 'Line 1 of sites'];
        yield 'a column that is none' => [self::replaced('sites', '"name"', '"nom"'), 'not known here: nom'];
        yield 'a record rewritten, its sums too' => [static function (\ZipArchive $zip): void {
            self::replaced('record_entries', 'utility_off', 'transferred')($zip);
            self::summedAgain($zip, 'record_entries');
        }, 'not whole'];
    }

    /** @param \Closure(\ZipArchive): mixed $change */
    #[Test, DataProvider('faults')]
    public function what_was_changed_on_the_way_is_named_and_nothing_is_taken_in(\Closure $change, string $said): void
    {
        $this->withWork();
        $this->away();
        $zip = new \ZipArchive();
        $zip->open("$this->folder/all.zip");
        $change($zip);
        $zip->close();
        self::assertSame(1, Artisan::call('company:import', ['file' => "$this->folder/all.zip"]));
        self::assertStringContainsString($said, Artisan::output());
        self::assertSame([0, 0], [Company::query()->count(), DB::table('record_entries')->count()]);
    }

    #[Test]
    public function a_file_that_is_no_archive_is_refused(): void
    {
        File::put("$this->folder/no.zip", 'PK and nothing else');
        self::assertSame(1, Artisan::call('company:import', ['file' => "$this->folder/no.zip"]));
        self::assertSame(1, Artisan::call('company:import', ['file' => "$this->folder/nowhere.zip"]));
    }

    #[Test]
    public function the_archive_is_for_people_too(): void
    {
        $this->withWork();
        (new CompanyArchive($this->company))->write("$this->folder/all.zip");
        $zip = new \ZipArchive();
        $zip->open("$this->folder/all.zip");
        self::assertStringContainsString('Fern Hill 3', (string) $zip->getFromName('tables/sites.csv'));
        self::assertStringStartsWith("\xFF\xD8", (string) $zip->getFromName((string) self::picture($zip)));
        self::assertFalse($zip->getFromName('rows/device_pins.jsonl'));
        $manifest = json_decode((string) $zip->getFromName('manifest.json'), true, 16, JSON_THROW_ON_ERROR);
        Artisan::call('company:key', ['company' => $this->company->id]);
        self::assertSame(trim(Artisan::output()), $manifest['keys']['public']);
    }

    /** @param array<string, mixed> $other */
    private static function manifest(array $other): \Closure
    {
        return static fn(\ZipArchive $zip) => $zip->addFromString('manifest.json', json_encode(
            $other + (array) json_decode((string) $zip->getFromName('manifest.json'), true),
            JSON_THROW_ON_ERROR,
        ));
    }

    private static function replaced(string $table, string $old, string $new): \Closure
    {
        return static fn(\ZipArchive $zip) => $zip->addFromString(
            "rows/$table.jsonl",
            str_replace($old, $new, (string) $zip->getFromName("rows/$table.jsonl")),
        );
    }

    private static function summedAgain(\ZipArchive $zip, string $table): void
    {
        $name = $zip->filename;
        $zip->close();
        $zip->open($name);
        $manifest = json_decode((string) $zip->getFromName('manifest.json'), true);
        $manifest['tables'][$table]['sha256'] = hash('sha256', (string) $zip->getFromName("rows/$table.jsonl"));
        $zip->addFromString('manifest.json', json_encode($manifest, JSON_THROW_ON_ERROR));
    }

    private static function picture(\ZipArchive $zip): ?string
    {
        for ($i = 0; $i < $zip->numFiles; $i++) {
            if (str_ends_with((string) $zip->getNameIndex($i), '-full.jpg')) {
                return (string) $zip->getNameIndex($i);
            }
        }

        return null;
    }

    private static function withoutPicture(\ZipArchive $zip): void
    {
        $zip->deleteName((string) self::picture($zip));
    }

    private function withWork(): User
    {
        $lead = $this->signIn(Role::Lead);
        $this->company = $lead->company;
        $switch = $this->switchOf($lead);
        $run = $this->runOf($switch);
        $this->postJson("/runs/$run->id/marks", ['marks' => [
            ['id' => (string) Str::uuid(), 'event' => 'utility_off', 'at_ms' => 0, 'client_wall' => '2026-11-27T10:00:00+00:00'],
        ]])->assertJson(['refused' => []]);
        $this->photoOf($lead, $switch->id);
        $this->recordingOf($lead);
        $this->post("/switches/$switch->id/logbook", ['kind' => 'note', 'id' => (string) Str::uuid(), 'note' => 'base64:a strange note']);
        Webhook::query()->create([
            'company_id' => $lead->company_id, 'user_id' => $lead->id, 'url' => 'https://escapement.example/hook',
            'events' => ['run.signed'], 'secret' => 'the secret of before',
        ]);
        $this->post('/feeds', ['about' => 'company']);

        return $lead;
    }

    private function away(): void
    {
        $this->app['auth']->forgetGuards();
        self::assertSame(0, Artisan::call('company:delete', [
            'company' => $this->company->id, 'export' => "$this->folder/all.zip", '--name' => $this->company->name,
        ]), Artisan::output());
    }
}

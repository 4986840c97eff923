<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Company;
use App\Models\Role;
use App\Models\Run;
use App\Models\Site;
use App\Models\User;
use App\Stage\Moving\CompanyRows;
use Database\Factories\UserFactory;
use Escapement\Core\Record\HeadSeal;
use Illuminate\Database\QueryException;
use Illuminate\Http\Middleware\TrustHosts;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Schema;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What an operator does: looks whether it is well, lists heads, takes a company away. */
final class OperationsTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir() . '/escapement-' . bin2hex(random_bytes(6));
        File::makeDirectory($this->folder);
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    #[Test]
    public function this_machine_is_told_how_it_stands_and_a_stranger_only_that_it_is_up(): void
    {
        $here = (string) $this->get('/up')->assertOk()->getContent();
        foreach (['escapement: up', 'queue: good', 'disk: ', 'clock: good', 'backup: '] as $line) {
            self::assertStringContainsString($line, $here);
        }
        DB::table('failed_jobs')->insert([
            'uuid' => 'u', 'connection' => 'database', 'queue' => 'default', 'payload' => '{}', 'exception' => 'x',
        ]);
        $this->get('/up')->assertOk()->assertSee('queue: LOOK')->assertSee('1 failed');
        $away = (string) $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.9'])->get('/up')->assertOk()->getContent();
        self::assertSame("escapement: up\n", $away);
        $proxied = $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->get('/up', ['X-Forwarded-For' => '203.0.113.9']);
        self::assertSame("escapement: up\n", $proxied->getContent());
    }

    #[Test]
    public function the_heads_of_a_day_are_written_once_and_sealed(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->artisan('records:digest', ['folder' => $this->folder])->assertSuccessful();
        $path = "$this->folder/heads-$run->company_id-" . now('UTC')->toDateString() . '.json';
        /** @var array{heads: list<array{record: string, head: string}>, sha256: string, key: string, seal: string} $digest */
        $digest = json_decode((string) file_get_contents($path), true, 16, JSON_THROW_ON_ERROR);
        self::assertContains(['record' => "run $run->id", 'head' => $run->refresh()->head], $digest['heads']);
        self::assertTrue(HeadSeal::read($digest['seal'])?->fits(count($digest['heads']), $digest['sha256']));
        self::assertSame($digest['key'], HeadSeal::read($digest['seal'])->key);
        file_put_contents($path, 'kept');
        $this->artisan('records:digest', ['folder' => $this->folder])->assertSuccessful();
        self::assertSame('kept', file_get_contents($path), 'what is there is never written over');
        $this->artisan('records:digest')->assertFailed();
    }

    #[Test]
    public function a_company_that_is_taken_away_leaves_nothing_behind_and_the_others_alone(): void
    {
        $user = $this->signIn(Role::Lead);
        $switch = $this->switchOf($user);
        $this->runOf($switch);
        $this->photoOf($user, $switch->id);
        $this->recordingOf($user);
        $user->createToken('office', ['read']);
        $company = $user->company;
        $other = UserFactory::make();
        $other->createToken('theirs', ['read']);
        $this->actingAs($other);
        $this->runOf($this->switchOf($other));
        $before = self::counts($other->company_id);
        $pictures = DB::table('photo_files')->pluck('full', 'photo_id')->all();
        $named = DB::table('guest_sites')->insert(['user_id' => $user->id, 'site_id' => $switch->site_id]);
        $this->app['auth']->forgetGuards();
        $this->artisan('company:delete', ['company' => $company->id, 'export' => "$this->folder/all.zip", '--name' => $company->name])
            ->assertSuccessful();
        $zip = new \ZipArchive();
        $zip->open("$this->folder/all.zip");
        self::assertNotSame([], $pictures);
        foreach ($pictures as $photo => $full) {
            self::assertSame($full, $zip->getFromName("pictures/$photo-full.jpg"));
        }
        self::assertTrue($named && $zip->statName('rows/guest_sites.jsonl')['size'] > 0);
        self::assertSame([], array_filter(self::counts($company->id)));
        self::assertNull(Company::query()->find($company->id));
        self::assertSame(0, DB::table('photo_files')->count());
        self::assertSame($before, self::counts($other->company_id));
        self::assertSame(1, User::query()->count());
        self::assertSame(['theirs'], DB::table('personal_access_tokens')->pluck('name')->all());
        self::assertSame(1, Run::query()->withoutGlobalScope('company')->count());
    }

    #[Test]
    public function each_table_that_hangs_on_a_companys_is_exported_with_it(): void
    {
        $ours = CompanyRows::tables();
        $hanging = [];
        foreach (Schema::getTableListing(Schema::getCurrentSchemaName(), schemaQualified: false) as $table) {
            $parents = array_column(Schema::getForeignKeys($table), 'foreign_table');
            if (! in_array($table, $ours, true) && array_intersect($parents, $ours) !== []) {
                $hanging[] = $table;
            }
        }
        self::assertEqualsCanonicalizing(array_keys(CompanyRows::HANGING), $hanging);
    }

    /** @return iterable<string, array{list<string>, bool}> */
    public static function servers(): iterable
    {
        yield 'the one there is' => [['127.0.0.1'], true];
        yield 'the second, where the first does not answer' => [['127.0.0.9', '127.0.0.1'], true];
        yield 'none that answers' => [['127.0.0.9', '127.0.0.8'], false];
    }

    /** @param list<string> $hosts */
    #[Test, DataProvider('servers')]
    public function of_several_databases_the_first_that_is_ready_is_used(array $hosts, bool $answers): void
    {
        config(['database.connections.several' => ['host' => $hosts] + config()->array('database.connections.mariadb')]);
        if (! $answers) {
            $this->expectException(QueryException::class);
        }
        self::assertSame(1, (int) DB::connection('several')->scalar('SELECT 1'));
    }

    #[Test]
    public function a_sign_in_that_was_refused_stands_in_the_log_without_its_secret(): void
    {
        $log = Log::spy();
        $this->post('/login', ['email' => 'eve@else.example', 'password' => 'a wrong sentence'])->assertSessionHasErrors('email');
        $log->shouldHaveReceived('notice')->once()->withArgs(static fn(string $words, array $with): bool => $with['kind'] === 'sign-in'
            && $with['whom'] === 'eve@else.example' && ! str_contains((string) json_encode($with), 'sentence'));
    }

    /** @return iterable<string, array{string, bool}> */
    public static function names(): iterable
    {
        yield 'its own' => ['escapement.example', true];
        yield 'this machine' => ['127.0.0.1', true];
        yield 'one that was named' => ['esc.lantern.example', true];
        yield 'a stranger' => ['elsewhere.example', false];
        yield 'one below it' => ['a.escapement.example', false];
        yield 'one that looks like it' => ['escapementxexample', false];
    }

    #[Test, DataProvider('names')]
    public function it_answers_to_the_names_that_it_was_given_and_to_no_other(string $name, bool $answers): void
    {
        config(['app.url' => 'https://escapement.example', 'app.hosts' => ['esc.lantern.example']]);
        $patterns = array_filter((new TrustHosts($this->app))->hosts(), is_string(...));
        self::assertSame($answers, array_filter($patterns, static fn(string $one): bool => preg_match("{{$one}}i", $name) === 1) !== []);
    }

    /** @param array<string, string> $with */
    #[Test, DataProvider('refusals')]
    public function nothing_is_deleted_by_a_slip(array $with, string $told): void
    {
        $user = $this->signIn(Role::Lead);
        $this->switchOf($user);
        touch("$this->folder/there");
        $this->artisan('company:delete', [
            'company' => $with['company'] ?? $user->company_id, 'export' => "$this->folder/" . ($with['export'] ?? 'new'),
            '--name' => $with['name'] ?? $user->company->name,
        ])->expectsOutputToContain($told)->assertFailed();
        self::assertSame(1, Site::query()->count());
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function refusals(): iterable
    {
        yield 'another name' => [['name' => 'Somebody else'], 'Type its name'];
        yield 'no such company' => [['company' => '999'], 'no such company'];
        yield 'a file that is there' => [['export' => 'there'], 'is there already'];
    }

    /** @return array<string, int> rows by table */
    private static function counts(int $company): array
    {
        $counts = [];
        foreach (CompanyRows::tables() as $table) {
            $counts[$table] = DB::table($table)->where('company_id', $company)->count();
        }

        return $counts;
    }
}

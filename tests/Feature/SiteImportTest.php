<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ColumnMap;
use App\Models\Role;
use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** A list of sites from the office: looked at, mended, taken in once. */
final class SiteImportTest extends TestCase
{
    private const LIST = "Customer,Street address,Type,Service,ATS,Switch rating,Fuel,Gen kW\n"
        . "Alder Mill,1 Mill Lane,K1,200 A,,200,LP,22\n"
        . "\"Birch Row, 4\",4 Birch Row,whole house,400,North,\"1,200\",natural gas,\"48,5\"\n"
        . "\"Birch Row, 4\",4 Birch Row,whole house,400,South,400,natural gas,48.5\n";

    #[Test]
    public function each_line_becomes_a_site_or_another_switch_of_one_and_the_same_list_again_adds_nothing(): void
    {
        $this->signIn();
        $this->look(self::LIST)->assertOk()->assertSee('2 new sites, 1 more switch')->assertSee('as guessed');
        self::assertSame(0, Site::query()->count(), 'looking keeps nothing');
        $this->take(self::LIST)->assertRedirect('/')->assertSessionHas('said', 'Taken in: 2 new sites, 1 more switch.');
        self::assertSame(['Alder Mill', 'Birch Row, 4'], Site::query()->orderBy('id')->pluck('name')->all());
        $birch = Site::query()->where('name', 'Birch Row, 4')->sole();
        self::assertSame([400, InstallationKind::WholeHouse, ['North', 'South']], [
            $birch->service_a, $birch->installation, $birch->switches->pluck('name')->all(),
        ]);
        $north = $birch->switches->firstOrFail();
        self::assertSame([1200, ['natural_gas' => 48.5]], [$north->rating_a, $north->rated_kw]);
        self::assertSame('Q1', Site::query()->where('name', 'Alder Mill')->sole()->switches->sole()->name);
        $this->look(self::LIST)->assertSee('3 there already')->assertSee('as for the last list')->assertDontSee('Take in');
        $this->take(self::LIST)->assertSessionHas('said', 'Nothing new was in that list.');
        self::assertSame([2, 3], [Site::query()->count(), TransferSwitch::query()->count()]);
        $this->get("/sites/$birch->id")->assertOk()->assertSee('North')->assertSee('South');
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        yield 'no name' => [",1 Mill Lane,K1,200,,,,\n", 'A site needs a name'];
        yield 'a service that is none' => ["Oak,,K1,lots,,,,\n", 'Whole amperes'];
        yield 'a fuel that is none' => ["Oak,,K1,200,,,wood,\n", 'Fuel is one of'];
        yield 'kilowatts of nothing' => ["Oak,,K1,200,,,,22\n", 'a column of fuel is needed'];
        yield 'a kind nobody knows' => ["Oak,,Commercial,200,,,,\n", 'Say above what'];
        yield 'twice in the list' => ["Oak,,K1,200,,,,\nOak,,K1,200,,,,\n", 'The same as line 2'];
        yield 'two of one name' => ["Oak,1 Lane,K1,200,,,,\nOak,2 Lane,K1,200,B,,,\n", 'has another address'];
        yield 'a rating that is none' => ["Oak,,K1,200,Q1,0,,\n", 'A switch has 1 to 10 000 A'];
    }

    #[Test, DataProvider('faults')]
    public function a_line_with_a_fault_says_so_and_stops_the_list_until_it_is_left_out(string $lines, string $said): void
    {
        $this->signIn();
        $list = explode("\n", self::LIST)[0] . "\n" . $lines . "Elm,,K2,100,,,,\n";
        $this->look($list)->assertOk()->assertSee($said)->assertSee('with faults out');
        $this->take($list)->assertOk()->assertSee('Nothing was taken in')->assertSee('Elm');
        self::assertSame(0, Site::query()->count());
        $this->take($list, ['without_faulty' => '1'])->assertRedirect('/');
        self::assertSame(1, Site::query()->where('name', 'Elm')->count());
    }

    #[Test]
    public function their_own_words_for_kinds_and_columns_are_said_once_and_remembered(): void
    {
        $user = $this->signIn();
        $list = "A;B\nOak;Commercial\n";
        $this->look($list)->assertSee('Say which column has the name')->assertSee('Oak;Commercial');
        preg_match('/name="of" value="(\w+)"/', (string) $this->look($list)->getContent(), $of);
        $said = ['of' => $of[1] ?? '', 'columns' => ['name', 'installation']];
        $this->look($list, $said)->assertSee('"Commercial" is');
        $said['kinds'] = [['word' => 'Commercial', 'as' => 'K9']];
        $this->look($list, $said)->assertSee('New site, three-phase, motor drive');
        $this->take($list, $said)->assertRedirect('/');
        self::assertSame(1, ColumnMap::query()->where('company_id', $user->company_id)->count());
        $this->look("A;B\nAsh;commercial\n")->assertSee('New site, three-phase, motor drive');
        $this->look("X;Name\nAsh;Fir\n", $said)->assertSee('as guessed'); // what was said of another list says nothing of this one
    }

    /** @return iterable<string, array{string}> */
    public static function noLists(): iterable
    {
        yield 'nothing' => [''];
        yield 'a heading alone' => ["Name,Address\n"];
        yield 'bytes' => ["\xFF\xFE\x00N"];
        yield 'too many lines' => ["Name\n" . str_repeat("x\n", 2001)];
        yield 'too many columns' => [str_repeat('a,', 80) . "\nx\n"];
        yield 'too large' => ["Name\n" . str_repeat('x', 1_000_001)];
    }

    #[Test, DataProvider('noLists')]
    public function what_is_no_list_is_said_to_be_none(string $text): void
    {
        $this->signIn();
        $this->look($text)->assertOk()->assertSee('field-error', false);
        $this->take($text)->assertOk()->assertSee('field-error', false);
        self::assertSame(0, Site::query()->count());
    }

    #[Test]
    public function a_file_of_two_hundred_sites_is_taken_in_at_once_and_another_company_sees_none(): void
    {
        $this->signIn(Role::Lead);
        $list = "Site\tkW\tFuel\n";
        foreach (range(1, 200) as $i) {
            $list .= "Row $i\t" . (10 + $i % 30) . "\tdiesel\n";
        }
        $file = UploadedFile::fake()->createWithContent('sites.csv', $list);
        $this->post('/sites/import', ['file' => $file])->assertRedirect('/')->assertSessionHas('said', 'Taken in: 200 new sites.');
        self::assertSame(200, Site::query()->count());
        $this->get('/')->assertOk()->assertSee('Row 1');
        $this->signIn(Role::Lead);
        self::assertSame(0, Site::query()->count());
        $this->post('/sites/import', ['text' => $list])->assertSessionHas('said', 'Taken in: 200 new sites.');
    }

    /** @return iterable<string, array{string, ?string, string}> file, place, subject */
    public static function pictures(): iterable
    {
        yield 'the name of a site' => ['Alder Mill.jpg', 'Alder Mill, Q1', 'service'];
        yield 'with what it shows' => ['alder_mill-panel 2.JPG', 'Alder Mill, Q1', 'panels'];
        yield 'the longer of two names' => ['Alder Mill East generator.png', 'Alder Mill East, Q1', 'source'];
        yield 'of several switches the one that is named' => ['2026-11-27 birch row 4 north.jpg', 'Birch Row, 4, North', 'service'];
        yield 'of several switches none that is named' => ['Birch Row 4.jpg', null, 'service'];
        yield 'a part of a word is no name' => ['Alder Millhouse.jpg', null, 'service'];
        yield 'nothing of it' => ['IMG_2231.jpg', null, 'service'];
    }

    #[Test, DataProvider('pictures')]
    public function a_picture_belongs_where_its_name_says(string $file, ?string $place, string $subject): void
    {
        $this->signIn();
        $this->take(self::LIST . "Alder Mill East,2 Mill Lane,K1,200,,,,\n")->assertRedirect('/');
        $this->postJson('/pictures/look', ['names' => [$file]])->assertOk()
            ->assertExactJson(['places' => [['place' => $place ?? '', 'subject' => $subject]]]);
    }

    #[Test]
    public function pictures_of_many_sites_are_sent_one_by_one_and_each_is_kept_once(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        $this->get('/pictures')->assertOk()->assertSee('Fern Hill 3, Q1');
        $sent = ['photo' => UploadedFile::fake()->image('a.jpg', 40, 30), 'switch' => $switch->id, 'subject' => 'panels', 'caption' => 'a'];
        $this->post('/pictures', $sent, ['Accept' => 'application/json'])->assertOk()->assertJson(['kept' => 'kept']);
        $this->post('/pictures', $sent, ['Accept' => 'application/json'])->assertOk()->assertJson(['kept' => 'there already']);
        self::assertSame(['panels', 'a'], [$switch->photos()->sole()->subject, $switch->photos()->sole()->caption]);
        $text = UploadedFile::fake()->createWithContent('a.jpg', 'no picture');
        $this->post('/pictures', ['photo' => $text] + $sent, ['Accept' => 'application/json'])->assertUnprocessable();
        $this->signIn();
        $this->post('/pictures', $sent, ['Accept' => 'application/json'])->assertNotFound();
        $this->postJson('/pictures/look', ['names' => ['Fern Hill 3.jpg']])->assertJsonPath('places.0.place', '');
        $this->postJson('/pictures/look', ['names' => array_fill(0, 501, 'a.jpg')])->assertUnprocessable();
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return TestResponse<Response>
     */
    private function look(string $text, array $more = []): TestResponse
    {
        return $this->post('/sites/import/look', ['text' => $text] + $more);
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return TestResponse<Response>
     */
    private function take(string $text, array $more = []): TestResponse
    {
        return $this->post('/sites/import', ['text' => $text] + $more);
    }
}

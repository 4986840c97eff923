<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Device\Networks;
use App\Models\Bench;
use App\Models\Device;
use App\Models\DeviceProfile;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\Role;
use App\Models\User;
use Database\Factories\UserFactory;
use Escapement\Core\LoadTest\ReadingSource;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Meters of others: a map is kept, a device is read, and nothing is asked outside of what a lead has named. */
final class DevicesTest extends TestCase
{
    private const MAP = "quantity,table,address,type,scale,unit,order,bit\nv_l1,holding,0,u16,0.1,V,,\nv_l2,holding,1,u16,0.1,V,,\n"
        . "a_l1,holding,3,u16,0.1,A,,\na_l2,holding,4,u16,0.1,A,,\nhz,holding,6,u16,0.01,Hz,,\ncoolant_c,holding,7,s16,,,,\n"
        . "kw,holding,8,u32,,W,,\nfault,coil,0,bit,,,,\non_normal,holding,20,bit,,,,3\n";

    /** @var ?resource */
    private $meter;
    private int $port = 0;

    protected function setUp(): void
    {
        parent::setUp();
        config(['bench.any_loopback' => true, 'bench.port' => 5020]); // the meter of these tests; nobody listens at the benches
    }

    protected function tearDown(): void
    {
        if ($this->meter !== null) {
            proc_terminate($this->meter, SIGKILL);
            proc_close($this->meter);
        }
        parent::tearDown();
    }

    #[Test]
    public function a_meter_is_mapped_read_kept_and_gives_a_reading_of_a_load_test(): void
    {
        $user = $this->signIn(Role::Lead);
        $profile = $this->mapped($user);
        $test = $this->testOf($user);
        $this->meter('good');
        $this->read($profile)->assertOk()->assertSee('230.4')->assertSee('2304 × 0.1 V')->assertSee('50.02')->assertSee('-10')
            ->assertSee('230.4')->assertSee('yes')->assertDontSee('simulated');
        self::assertSame(0, Device::query()->count());
        $this->read($profile, ['keep' => '1', 'switch' => $test->switch_id, 'device_name' => 'Main meter'])->assertRedirect('/devices');
        $device = Device::query()->sole();
        $this->get('/devices')->assertOk()->assertSee('Main meter');
        $this->get("/load-tests/$test->id")->assertOk()->assertSee('Read Main meter now');
        $this->post("/load-tests/$test->id/meter", ['device' => $device->id])->assertSessionHasNoErrors();
        $reading = LoadReading::query()->sole();
        self::assertEquals([[230.4, 231.0], [41.2, 40.5], 50.02, 230.4, -10.0, ReadingSource::Device], [
            $reading->v_v, $reading->a_a, $reading->hz, $reading->kw, $reading->coolant_c, $reading->source,
        ]);
        self::assertSame('By Main meter, Panel meter, unit 1.', $reading->note);
        $this->get("/load-tests/$test->id")->assertOk()->assertSee('read from a device');
        $this->get('/devices')->assertOk()->assertSee('Main meter');
        $this->delete("/devices/profiles/$profile->id")->assertSessionHasErrors('map');
        $this->delete("/devices/$device->id")->assertSessionHasNoErrors();
        $this->delete("/devices/profiles/$profile->id")->assertSessionHasNoErrors();
        self::assertSame([0, 0], [Device::query()->count(), DeviceProfile::query()->count()]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function manners(): iterable
    {
        yield 'no answer' => ['silent', 'does not answer in time'];
        yield 'another language' => ['garbage', 'does not speak Modbus TCP'];
        yield 'half an answer' => ['short', 'something else than was asked for'];
        yield 'an answer to something else' => ['other', 'answers another question'];
        yield 'nothing there' => ['refuses', 'does not answer for this place'];
        yield 'an answer of before comes first' => ['late', '230.4'];
    }

    #[Test, DataProvider('manners')]
    public function what_a_device_does_wrong_is_said_and_hangs_nothing(string $manner, string $said): void
    {
        $user = $this->signIn(Role::Lead);
        $profile = $this->mapped($user);
        $this->meter($manner);
        $from = microtime(true);
        $this->read($profile)->assertOk()->assertSee($said);
        self::assertLessThan(9.0, microtime(true) - $from);
    }

    #[Test]
    public function of_this_machine_a_company_reads_its_own_benches_and_nobody_elses(): void
    {
        $port = $this->benchOf($this->signIn(Role::Lead), 0)->modbusPort();
        $mine = $this->signIn(Role::Lead);
        $profile = $this->mapped($mine);
        config(['bench.any_loopback' => false]);
        foreach ([$port, 3306, 22] as $this->port) {
            $this->read($profile)->assertOk()->assertSee('only your own benches are asked');
        }
        $this->port = $this->benchOf($mine, 1)->modbusPort();
        $this->read($profile)->assertOk()->assertDontSee('only your own benches are asked');
    }

    #[Test]
    public function nobody_there_is_said_so_and_what_was_typed_stays(): void
    {
        $user = $this->signIn(Role::Lead);
        $this->port = 9;
        $this->read($this->mapped($user), ['device_name' => 'Roof meter'])->assertOk()->assertSee('Nobody answers')
            ->assertSee('Roof meter');
    }

    /** @return iterable<string, array{string, list<string>, bool}> address, networks of the company, whether it is asked */
    public static function addresses(): iterable
    {
        yield 'this machine' => ['127.0.0.1', [], true];
        yield 'a private one nobody named' => ['192.168.20.7', [], false];
        yield 'one in a network that was named' => ['192.168.20.7', ['192.168.20.0/24'], true];
        yield 'its neighbour' => ['192.168.21.7', ['192.168.20.0/24'], false];
        yield 'within a network that ends inside of a byte' => ['10.0.15.255', ['10.0.0.0/20'], true];
        yield 'just beyond it' => ['10.0.16.0', ['10.0.0.0/20'], false];
        yield 'a public one' => ['203.0.113.5', ['192.168.20.0/24'], false];
        yield 'the cloud\'s own' => ['169.254.169.254', ['192.168.0.0/16'], false];
        yield 'a name' => ['meter.lantern.example', ['192.168.0.0/16'], false];
        yield 'a number in other clothes' => ['0x7f000001', [], false];
        yield 'an old address in a new one' => ['::ffff:203.0.113.5', [], false];
        yield 'this machine, new' => ['::1', [], true];
        yield 'a private new one' => ['fd00::7', ['fd00::/64'], true];
    }

    /** @param list<string> $networks */
    #[Test, DataProvider('addresses')]
    public function an_address_is_asked_only_inside_of_what_a_lead_has_named(string $address, array $networks, bool $isAsked): void
    {
        try {
            (new Networks($networks))->check($address, 502);
            self::assertTrue($isAsked);
        } catch (\DomainException) {
            self::assertFalse($isAsked);
        }
    }

    /** @return iterable<string, array{string, ?string}> what is typed, and how it is kept; null: refused */
    public static function networks(): iterable
    {
        yield 'a network' => ['192.168.20.0/24', '192.168.20.0/24'];
        yield 'one address' => ['10.1.2.3', '10.1.2.3/32'];
        yield 'new' => ['fd12:3456::/48', 'fd12:3456::/48'];
        yield 'everything' => ['0.0.0.0/0', null];
        yield 'wider than private' => ['192.0.0.0/8', null];
        yield 'public' => ['203.0.113.0/24', null];
        yield 'link-local' => ['169.254.0.0/16', null];
        yield 'no number' => ['lantern.example/24', null];
        yield 'too long' => ['10.0.0.0/33', null];
        yield 'two slashes' => ['10.0.0.0/24/24', null];
    }

    #[Test, DataProvider('networks')]
    public function a_lead_names_private_networks_and_no_other(string $typed, ?string $kept): void
    {
        $lead = $this->signIn(Role::Lead);
        $answer = $this->put('/devices/networks', ['networks' => "$typed\n"]);
        $kept === null ? $answer->assertSessionHasErrors('networks') : $answer->assertSessionHasNoErrors();
        self::assertSame($kept === null ? null : [$kept], $lead->company->refresh()->device_networks);
        $this->actingAs($this->person($lead))->put('/devices/networks', ['networks' => '10.0.0.0/8'])->assertForbidden();
    }

    /** @return iterable<string, array{string, string}> */
    public static function maps(): iterable
    {
        yield 'nothing' => ['', 'The first line names the columns'];
        yield 'no such quantity' => ["quantity,table,address,type\nhz,holding,0,u16\nmood,holding,1,u16\n", 'Line 3, quantity'];
        yield 'no number' => ["quantity,table,address,type\nhz,holding,first,u16\n", 'Line 2, address'];
        yield 'JSON that is none' => ['{"format":', 'not JSON'];
        yield 'JSON of something else' => ['{"format":"escapement/device-profile/1","rows":[{"quantity":"hz"}]}', 'At /rows/0/table'];
    }

    #[Test, DataProvider('maps')]
    public function a_map_with_a_fault_says_where(string $map, string $said): void
    {
        $this->signIn();
        $this->post('/devices/profiles', ['profile_name' => 'Panel meter', 'map' => $map])->assertSessionHasErrors('map');
        self::assertStringContainsString($said, (string) session('errors')?->first('map'));
        self::assertSame(0, DeviceProfile::query()->count());
        $this->post('/devices/profiles', ['profile_name' => '', 'map' => self::MAP])->assertSessionHasErrors('profile_name');
    }

    #[Test]
    public function a_map_goes_out_and_comes_in_as_the_same(): void
    {
        $user = $this->signIn();
        $profile = $this->mapped($user);
        foreach (['csv', 'json'] as $form) {
            $text = (string) $this->get("/devices/profiles/$profile->id.$form")->assertOk()->getContent();
            $this->post('/devices/profiles', ['profile_name' => 'Again', 'map' => $text])->assertSessionHasNoErrors();
            $again = DeviceProfile::query()->where('name', 'Again')->sole();
            self::assertEquals($profile->profile['rows'], $again->profile['rows']);
        }
        $this->signIn(Role::Lead);
        $this->get("/devices/profiles/$profile->id.csv")->assertNotFound();
        $this->delete("/devices/profiles/$profile->id")->assertNotFound();
    }

    private function mapped(User $user): DeviceProfile
    {
        $this->post('/devices/profiles', ['profile_name' => 'Panel meter', 'map' => self::MAP])->assertSessionHasNoErrors();

        return DeviceProfile::query()->where('company_id', $user->company_id)->sole();
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return TestResponse<Response>
     */
    private function read(DeviceProfile $profile, array $more = []): TestResponse
    {
        $typed = ['profile' => $profile->id, 'address' => '127.0.0.1', 'port' => $this->port, 'unit' => 1];

        return $this->post('/devices/read', $typed + $more);
    }

    private function meter(string $manner): void
    {
        $this->port = random_int(20_000, 29_000);
        $quiet = ['file', '/dev/null', 'w'];
        $command = [PHP_BINARY, base_path('tests/meter.php'), (string) $this->port, $manner];
        $meter = proc_open($command, [['pipe', 'r'], $quiet, $quiet], $pipes);
        self::assertIsResource($meter);
        $this->meter = $meter;
        for ($i = 0; $i < 50 && @fsockopen('127.0.0.1', $this->port) === false; $i++) {
            usleep(50_000);
        }
    }

    private function testOf(User $user): LoadTest
    {
        $switch = $this->switchOf($user);
        $switch->update(['fuel' => 'diesel', 'rated_kw' => ['diesel' => 20], 'rating_a' => 100]);
        $this->post("/switches/$switch->id/load-tests", ['profile' => 'custom', 'steps' => '50 × 20'])->assertSessionHasNoErrors();

        return LoadTest::query()->sole();
    }

    private function benchOf(User $user, int $place): Bench
    {
        return Bench::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $this->switchOf($user)->id, 'user_id' => $user->id, 'serial' => "B-$place",
            'place' => $place, 'kept' => [], 'stood_at' => now(),
        ]);
    }

    private function person(User $lead): User
    {
        return UserFactory::make(Role::Technician, $lead->company_id);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\SendWebhook;
use App\Models\LogEntry;
use App\Models\Role;
use App\Models\Run;
use App\Models\TransferSwitch;
use App\Models\Webhook;
use App\Models\WebhookCall;
use App\Stage\Board\StatusBook;
use App\Stage\PublicAddress;
use Illuminate\Http\Client\Request as Sent;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use Tests\WorksThrough;

/** What addresses of a company hear of, how they know that it is us, and whom nobody calls. */
final class WebhooksTest extends TestCase
{
    use WorksThrough;

    private const HTTPS = 'https:' . '//';
    private const OUTSIDE = self::HTTPS . '93.184.215.14/hook';

    #[Test]
    public function a_signed_run_is_told_once_signed_with_the_secret_of_the_address(): void
    {
        Http::fake(['*' => Http::response('', 204)]);
        $hook = $this->hook(['run.signed']);
        $this->signed();
        $call = WebhookCall::query()->sole();

        self::assertNotNull($call->delivered_at);
        Http::assertSentCount(1);
        Http::assertSent(static function (Sent $sent) use ($hook, $call): bool {
            preg_match('/^t=(\d+),v1=(\w+)$/', $sent->header('Escapement-Signature')[0], $signature);
            $body = json_decode($sent->body(), true, 16, JSON_THROW_ON_ERROR);

            return $sent->url() === self::OUTSIDE && $body['event'] === 'run.signed' && $body['id'] === $call->id
                && $body['run']['signed_name'] === 'Ada Fenn' && $sent->header('Escapement-Delivery') === [$call->id]
                && hash_equals(hash_hmac('sha256', "$signature[1].{$sent->body()}", $hook->secret), $signature[2]);
        });
    }

    #[Test]
    public function what_is_not_taken_comes_again_later_under_its_id_and_not_for_ever(): void
    {
        Http::fake(['*' => Http::response('', 500)]);
        $this->hook(['run.signed']);
        Queue::fake();
        $this->signed();
        $call = WebhookCall::query()->sole();
        foreach ([...SendWebhook::AGAIN_S, null] as $again) {
            Queue::fake();
            (new SendWebhook($call->id))->handle();
            $again === null ? Queue::assertNothingPushed()
                : Queue::assertPushed(SendWebhook::class, static fn(SendWebhook $job): bool => $job->delay === $again);
        }

        self::assertSame(6, $call->refresh()->tries);
        self::assertNotNull($call->given_up_at);
        self::assertSame('It answered 500.', $call->said);
        Http::fake(['*' => Http::response()]);
        $call->update(['delivered_at' => Carbon::now()]);
        (new SendWebhook($call->id))->handle();
        self::assertSame(6, $call->refresh()->tries, 'taken is taken');
    }

    #[Test]
    public function a_switch_that_stops_is_told_once_while_it_stays_so(): void
    {
        Http::fake(['*' => Http::response()]);
        $this->hook(['stop.found']);
        $switch = TransferSwitch::query()->firstOrFail();
        $book = new StatusBook(Carbon::now());
        $book->keep($switch->site_id);
        self::assertSame(0, WebhookCall::query()->count());
        LogEntry::query()->create([
            'id' => (string) Str::uuid(), 'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => auth()->id(),
            'kind' => 'alarm', 'at' => now(), 'fields' => ['code' => 'owner: it did not start'], 'source' => 'owner',
        ]);
        $book->keep($switch->site_id);
        $book->keep($switch->site_id);

        self::assertSame(['stop.found'], WebhookCall::query()->pluck('event')->all());
    }

    #[Test, DataProvider('inside')]
    public function an_address_inside_is_neither_kept_nor_called(string $url): void
    {
        $this->lead();
        $this->post('/webhooks', ['url' => $url, 'events' => ['run.signed']])->assertSessionHasErrors('url');
        self::assertSame(0, Webhook::query()->count());
        $this->expectException(\DomainException::class);
        PublicAddress::of($url);
    }

    /** @return iterable<string, array{string}> */
    public static function inside(): iterable
    {
        foreach ([
            '127.0.0.1/', 'localhost/', '10.1.2.3/', '192.168.0.9:8443/x', '172.16.0.1/', '169.254.169.254/latest', '[::1]/', '[fd00::1]/',
            '[::ffff:127.0.0.1]/', '100.64.0.1/', '0.0.0.0/', 'user:word@93.184.215.14/', '', 'nobody.invalid/',
        ] as $place) {
            yield $place => [self::HTTPS . $place];
        }
        foreach (['http:' . '//93.184.215.14/', 'file:///etc/passwd', 'gopher://x/', 'no address'] as $url) {
            yield $url => [$url];
        }
    }

    #[Test]
    public function only_a_lead_has_them_and_only_of_the_own_company(): void
    {
        $hook = $this->hook(['run.signed']);
        $this->get('/webhooks')->assertOk()->assertSee($hook->secret);
        $this->get('/webhooks')->assertOk()->assertSee(self::OUTSIDE)->assertDontSee($hook->secret); // it was shown once
        $this->signIn(Role::Lead);
        $this->get('/webhooks')->assertOk()->assertDontSee(self::OUTSIDE);
        $this->delete("/webhooks/$hook->id")->assertNotFound();
        $this->post("/webhooks/$hook->id/try")->assertNotFound();
        $this->signIn(Role::Technician);
        $this->get('/webhooks')->assertForbidden();
    }

    #[Test]
    public function it_is_tried_and_taken_away(): void
    {
        Http::fake(['*' => Http::response('', 302, ['Location' => self::HTTPS . '127.0.0.1/'])]);
        $hook = $this->hook(['run.signed']);
        $this->post("/webhooks/$hook->id/try")->assertRedirect('/webhooks');
        $this->get('/webhooks')->assertSee('It answered 302.');
        $this->delete("/webhooks/$hook->id")->assertRedirect('/webhooks');
        self::assertSame(0, WebhookCall::query()->count());
    }

    #[Test]
    public function what_was_told_is_forgotten_after_three_months(): void
    {
        $this->lead();
        Http::fake(['*' => Http::response('', 200)]);
        $hook = $this->hook(['run.signed']);
        $this->post("/webhooks/$hook->id/try");
        $this->travel(89)->days();
        WebhookCall::forget();
        self::assertSame(1, WebhookCall::query()->count());
        $this->travel(2)->days();
        WebhookCall::forget();
        self::assertSame(0, WebhookCall::query()->count());
    }

    private function lead(): void
    {
        $this->signIn(Role::Lead);
    }

    /** @param list<string> $events */
    private function hook(array $events): Webhook
    {
        $user = $this->signIn(Role::Lead);
        $this->switchOf($user);
        $this->post('/webhooks', ['url' => self::OUTSIDE, 'events' => $events])->assertSessionHasNoErrors()->assertSessionHas('secret');

        return Webhook::query()->sole();
    }

    private function signed(): void
    {
        $run = $this->runOf(TransferSwitch::query()->firstOrFail());
        $this->send($run, [$this->answer('isolate/briefing', ['so' => true])])->assertJsonCount(1, 'kept');
        $this->post("/runs/$run->id/sign", ['signed_name' => 'Ada Fenn'])->assertRedirect();
        self::assertNotNull(Run::query()->findOrFail($run->id)->signed_at);
    }
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Notice;
use App\Models\Role;
use App\Models\User;
use App\Stage\Notices\GatherNotices;
use App\Stage\Notices\NoticeMail;
use Illuminate\Console\Command;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Mail;

/** Gathers the notices of each person and mails them: at once, or together once a day. Nobody gets the same notice twice. */
final class SendNotices extends Command
{
    private const MOST_TRIES = 5;
    /** From this hour on by the clock of the server the mail of the day goes out. */
    private const DAILY_HOUR = 6;

    protected $signature = 'notices:send';
    protected $description = 'Mail the notices that people asked for, at once or once a day.';

    public function handle(): int
    {
        $people = User::query();
        $people->whereNull('left_at')->where('notify', '!=', 'never')->orderBy('company_id')->orderBy('id');
        $company = null;
        $things = [];
        foreach ($people->get() as $user) {
            Auth::setUser($user);
            if ($user->role === Role::Guest) {
                $this->keep($user, (new GatherNotices(Carbon::now()))->all()); // of the sites that were named
            } else {
                $things = $company === $user->company_id ? $things : (new GatherNotices(Carbon::now()))->all();
                $company = $user->company_id;
                $this->keep($user, $things);
            }
            $this->send($user);
            Auth::forgetUser();
        }

        return self::SUCCESS;
    }

    /** @param list<array{kind: string, key: string, switch: ?int, claim: string, detail: string}> $things */
    private function keep(User $user, array $things): void
    {
        foreach ($things as $one) {
            Notice::query()->insertOrIgnore([
                'company_id' => $user->company_id, 'user_id' => $user->id, 'switch_id' => $one['switch'], 'kind' => $one['kind'],
                'about' => hash('sha256', $one['key']), 'claim' => mb_substr($one['claim'], 0, 200),
                'detail' => mb_substr($one['detail'], 0, 400),
                'created_at' => Carbon::now(), 'updated_at' => Carbon::now(),
            ]);
        }
    }

    private function send(User $user): void
    {
        $query = Notice::query();
        $query->where('user_id', $user->id)->whereNull('sent_at')->where('tries', '<', self::MOST_TRIES)->orderBy('id');
        $open = $query->get();
        $isDue = $user->notify === 'at_once' || Carbon::now()->hour >= self::DAILY_HOUR && ! $this->wasMailedToday($user);
        if ($open->isEmpty() || ! $isDue) {
            return;
        }
        $mails = $user->notify === 'at_once' ? $open->map(static fn(Notice $one): array => [$one])->all() : [$open->all()];
        foreach ($mails as $notices) {
            $this->mail($user, array_values($notices));
        }
    }

    /** @param list<Notice> $notices */
    private function mail(User $user, array $notices): void
    {
        if ($notices === []) {
            return;
        }
        $ids = (new Collection($notices))->pluck('id');
        try {
            Mail::to($user->email, $user->name)->send(new NoticeMail($notices));
            Notice::query()->whereKey($ids)->update(['sent_at' => Carbon::now(), 'failure' => null]);
        } catch (\Throwable $why) { // tried again with the next turn; the page says what the server said
            Notice::query()->whereKey($ids)->increment('tries', 1, ['failure' => mb_substr($why->getMessage(), 0, 250)]);
        }
    }

    private function wasMailedToday(User $user): bool
    {
        $query = Notice::query();
        $query->where('user_id', $user->id)->where('sent_at', '>=', Carbon::today());

        return $query->exists();
    }
}

<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Http\Request;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Mail;

/** Says to a person what was changed at their account, so that it does not stay hidden where it was somebody else. */
final class AccountChanged extends Mailable implements ShouldQueue
{
    use Queueable;

    public function __construct(public readonly string $what, public readonly string $at, public readonly ?string $address) {}

    /** @param string $what a whole sentence */
    public static function tell(User $user, string $what, Request $request): void
    {
        Mail::to($user->email, $user->name)->queue(new self($what, Carbon::now('UTC')->format('j M Y, H:i') . ' UTC', $request->ip()));
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'Something changed at your account');
    }

    public function content(): Content
    {
        return new Content(text: 'account.changed-mail');
    }
}

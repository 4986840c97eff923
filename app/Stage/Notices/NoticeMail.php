<?php

declare(strict_types=1);

namespace App\Stage\Notices;

use App\Models\Notice;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** One thing, or the things of a day, as plain text. */
final class NoticeMail extends Mailable
{
    /** @param non-empty-list<Notice> $notices */
    public function __construct(public readonly array $notices) {}

    public function envelope(): Envelope
    {
        $count = count($this->notices);

        return new Envelope(subject: $count === 1 ? $this->notices[0]->claim : "$count things of your sites");
    }

    public function content(): Content
    {
        return new Content(text: 'notices.mail', with: ['notices' => $this->notices]);
    }
}

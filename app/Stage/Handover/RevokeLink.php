<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\HandoverLink;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Carbon;

final readonly class RevokeLink
{
    public function __invoke(HandoverLink $link): RedirectResponse
    {
        $link->update(['revoked_at' => $link->revoked_at ?? Carbon::now()]);

        return redirect()->route('report', $link->run_id)->withFragment('link')->with('said', 'The link is ended.');
    }
}

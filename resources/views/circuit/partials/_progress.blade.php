<div id="proof-progress"
    @if ($stored->isBeingProved()) hx-get="{{ route('circuit', ['switch' => $switch, 'seen' => $stored->proof_done]) }}"
        hx-trigger="every 1s" hx-swap="outerHTML" @endif>
    @if ($stored->isBeingProved())
        <p aria-live="polite">
            {{ $stored->proof_of === 0 ? 'The search begins.' : "Single faults searched: $stored->proof_done of $stored->proof_of." }}</p>
        <progress max="{{ max(1, $stored->proof_of) }}" value="{{ $stored->proof_done }}" aria-label="Faults searched"></progress>
        @if (auth()->user()->role->mayWrite())
            <form method="post" action="{{ route('circuit.cancel', $switch) }}">@csrf<button class="btn btn-outline-primary"
                    type="submit">Cancel the search</button></form>
        @endif
    @else
        <p><b>Not proved.</b>
            @if ($stored->proof_state === 'cancelled')
                The search was cancelled.
            @else
                {{ $stored->proof_problem ?? 'The search did not finish.' }}
            @endif
        </p>
        @if (auth()->user()->role->mayWrite())
            <form method="post" action="{{ route('circuit.prove', $switch) }}">@csrf<button class="btn btn-primary" type="submit">Prove the
                    circuit</button></form>
        @endif
    @endif
</div>

{{-- The form that signs a run: where it is timed, and where a service visit ends. --}}
<form method="post" action="{{ route('sign', $run) }}" data-run="{{ $run->id }}" x-data="signature"
    x-on:submit="guard">
    @csrf
    <x-field name="signed_name" label="Name, typed" :value="old('signed_name', auth()->user()->name)"
        autocomplete="name" />
    <div class="field"><span class="label" id="sign-label">Signature, drawn</span>
        <svg class="sign-pad" x-ref="pad" viewBox="0 0 400 130" role="img" aria-labelledby="sign-label"
            x-on:pointerdown="begin" x-on:pointermove="draw" x-on:pointerup="lift" x-on:pointercancel="lift">
            <path d="M20 105H380" stroke="var(--esc-hair)" />
            <path x-bind:d="path" fill="none" stroke="currentColor" stroke-width="2.4"
                stroke-linecap="round" stroke-linejoin="round" />
        </svg>
        <button class="btn btn-outline-primary" type="button" x-on:click="clear">Draw again</button>
    </div>
    <input type="hidden" name="signed_drawing" x-bind:value="path">
    <p class="field-error" x-show="isWaiting" x-cloak role="alert"><svg class="glyph" width="18" height="18"
            aria-hidden="true">
            <use href="#m-stop" />
        </svg><span>Something on this device is not sent yet: marks go from here, answers and pictures from the <a
                href="{{ route('procedure', $run) }}">procedure</a>. Sign when they are.</span></p>
    @if ($run->isService())
        <div class="row-of-buttons"><button class="btn btn-primary btn-glove" type="submit">Sign the visit</button></div>
    @else
        <p class="field-hint">Left ready: selector in automatic, breakers closed, covers on, settings as on the sheet.</p>
        <div class="row-of-buttons"><button class="btn btn-primary btn-glove" type="submit" name="left_ready"
                value="1">Sign the run, left ready</button>
            <button class="btn btn-outline-primary btn-glove" type="submit" name="left_ready" value="0">Sign, not left
                ready</button>
        </div>
    @endif
</form>

<div class="field" x-data="signature"><span class="label" id="sign-label">Signature, drawn</span>
    <svg class="sign-pad" x-ref="pad" viewBox="0 0 400 130" role="img" aria-labelledby="sign-label" x-on:pointerdown="begin"
        x-on:pointermove="draw" x-on:pointerup="lift" x-on:pointercancel="lift">
        <path d="M20 105H380" stroke="var(--esc-hair)" />
        <path x-bind:d="path" fill="none" stroke="currentColor" stroke-width="2.4" stroke-linecap="round"
            stroke-linejoin="round" />
    </svg>
    <button class="btn btn-outline-primary" type="button" x-on:click="clear">Draw again</button>
    <input type="hidden" name="signed_drawing" x-bind:value="path">
</div>

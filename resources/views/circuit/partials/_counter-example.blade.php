<section class="counter-example" id="steps" aria-labelledby="steps-head">
    <div class="steps-head">
        <h2 id="steps-head">
            {{ $page->look->fault === '' ? 'Counter-example' : 'With ' . lcfirst($page->words->fault($page->look->fault)) }}
            <small>{{ count($page->steps) - 1 }} steps to both closed</small>
        </h2>
        @if ($page->look->fault !== '')
            <a href="{{ route('circuit', $page->switch) }}#steps">Without the fault</a>
        @endif
    </div>
    <ol>
        @foreach ($page->steps as $i => $step)
            <li>
                <a href="{{ route('circuit', ['switch' => $page->switch, 'fault' => $page->look->fault ?: null, 'step' => $i]) }}#steps"
                    @if ($i === $page->step()) aria-current="step" @endif>
                    <svg width="60" height="16" viewBox="0 0 60 16" preserveAspectRatio="none" aria-hidden="true">
                        <path d="{{ $i === 0 ? 'M0 15H60' : 'M0 15L44 2H52L60 15Z' }}" />
                    </svg>
                    <b>{{ $i === 0 ? 'Start' : $i . '  ' . $step->title }}</b>
                    <span>{{ $step->detail }}</span>
                </a>
            </li>
        @endforeach
    </ol>
    @if ($page->stepStrip())
        <div class="scroll-x" tabindex="0" role="region" aria-label="Steps as lanes, scrollable">{!! $page->stepStrip()->svg() !!}</div>
    @endif
</section>

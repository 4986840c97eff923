<div id="drawing">
    <h1 class="visually-hidden">Plan</h1>
    <form method="get" action="{{ route('plan', $page->switch) }}" class="look" hx-get="{{ route('plan', $page->switch) }}"
        hx-target="#drawing" hx-swap="outerHTML" hx-trigger="change">
        <fieldset>
            <legend>Switch on</legend>
            <div class="choice">
                @foreach ($page->sides() as $value => $words)
                    <label><input type="radio" name="on" value="{{ $value }}"
                            @checked($page->look->on === $value)><span>{{ $words }}</span></label>
                @endforeach
            </div>
        </fieldset>
        <fieldset>
            <legend>Open</legend>
            <div class="choice"><label><input type="radio" name="open" value=""
                        @checked(!$page->hasOpened())><span>nothing</span></label>
                @foreach ($page->openable() as $device)
                    <label><input type="radio" name="open" value="{{ $device->ref }}"
                            @checked($page->look->open === $device->ref)><span>{{ $page->name($device->ref) }}</span></label>
                @endforeach
            </div>
        </fieldset>
        @if ($page->panel !== null)
            <fieldset>
                <legend>Phase lost</legend>
                <div class="choice">
                    @foreach (['' => 'none', 'L1' => 'L1', 'L2' => 'L2', 'L3' => 'L3'] as $value => $words)
                        <label><input type="radio" name="lost" value="{{ $value }}"
                                @checked(($page->look->lost ?? '') === $value)><span>{{ $words }}</span></label>
                    @endforeach
                </div>
            </fieldset>
        @endif
        <fieldset>
            <legend>Bonds</legend>
            <div class="choice">
                @foreach (['moves' => 'what moves', 'before' => 'before', 'after' => 'after'] as $value => $words)
                    <label><input type="radio" name="bonds" value="{{ $value }}"
                            @checked($page->look->bonds === $value)><span>{{ $words }}</span></label>
                @endforeach
            </div>
        </fieldset>
        <label class="check"><input class="form-check-input" type="checkbox" name="still" value="1" @checked($page->look->showsStillLive)>
            Still live</label>
        <label class="check"><input class="form-check-input" type="checkbox" name="fault" value="1" @checked($page->look->showsFaults)>
            Fault current</label>
        <noscript><button class="btn btn-outline-primary" type="submit">Show it</button></noscript>
    </form>
    @if ($page->hazard())
        <x-hazard><b>{{ $page->name($page->look->open) }} open</b> {{ $page->hazard() }} The maker's instructions, the adopted code and
            the authority having jurisdiction come first.</x-hazard>
    @endif
    @if ($page->lostWords())
        <p class="working">{{ $page->lostWords() }}</p>
    @endif
    <div class="one-line-box" tabindex="0" role="region" aria-label="One-line, drawing">{!! $page->picture->svg() !!}</div>
    <p class="key"><span><i class="swatch swatch-util"></i>{{ $page->acts()->sides()[0] }}</span><span><i
                class="swatch swatch-gen"></i>{{ $page->acts()->sides()[1] }}</span><span><i
                class="swatch swatch-none"></i>nothing live</span><span>link at a corner: bond, slashed goes, dashed to fit</span>
        @if ($page->look->showsFaults)
            <span>kA available / rated</span>
        @endif
        <span><a href="{{ route('plan.svg', ['switch' => $page->switch] + $page->look->query()) }}">For
                paper, SVG</a></span><span><a
                href="{{ route('plan.pdf', ['switch' => $page->switch] + $page->look->query()) }}">PDF</a></span><span
            x-data="picture"><button type="button" class="as-link" x-on:click="save"
                data-from="{{ route('plan.svg', ['switch' => $page->switch] + $page->look->query()) }}">PNG</button></span><span><a
                href="{{ route('plan.export', $page->switch) }}">Drawing, JSON</a></span>
    </p>
    @if ($page->look->showsFaults)
        @include('plan.partials._faults', ['faults' => $page->facts->faults])
    @endif
</div>

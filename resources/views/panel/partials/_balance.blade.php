@if ($page->balance)
    @php($now = $page->balance->present)
    @php($plan = $page->proposal())
    <section class="block" aria-labelledby="balance">
        <h2 id="balance">Phases</h2>
        <div class="phases">
            @foreach ($now['plan_legs_a'] as $leg => $amps)
                <div>
                    <b>L{{ $leg + 1 }}</b>
                    <meter min="0" max="{{ max(1, ...$now['plan_legs_a']) }}" value="{{ $amps }}">{{ $amps }} A</meter>
                    <span class="fig">{{ $amps }} A</span>
                    @if ($plan)
                        <span class="fig quiet">then {{ $plan->planLegsA[$leg] }} A</span>
                    @endif
                </div>
            @endforeach
        </div>
        <p>Unbalance <b class="fig">{{ number_format($now['plan_unbalance_pct'], 1) }} %</b>, neutral
            <b class="fig">{{ number_format($now['utility']->neutralA, 1) }} A</b>
            @if ($now['generator'])
                on the utility, <b class="fig">{{ number_format($now['generator']->neutralA, 1) }} A</b> on the generator
            @endif
        </p>
        @if (auth()->user()->role->mayWrite())
            <form method="post" action="{{ route('ways.move', $page->switch) }}" x-data="phaseBoard" x-on:pointermove.window="drag"
                x-on:pointerup.window="drop" x-on:keydown="key">
                @csrf
                @foreach (['way', 'from', 'to'] as $field)
                    <input type="hidden" name="{{ $field }}">
                @endforeach
                @foreach ($page->places() as $poles => $places)
                    <div class="phase-board" role="group" aria-label="{{ $poles }}">
                        @foreach ($places as $place => $ways)
                            <div class="phase-place" data-place="{{ $place }}">
                                <b>{{ $place }}</b>
                                @foreach ($ways as $way)
                                    <button type="button" class="phase-way" data-way="{{ $way->name }}" @disabled($way->locked)
                                        x-on:pointerdown="grab"
                                        title="{{ $way->locked ? 'stays on its phase' : 'Drag it, or move it by the arrow keys' }}">
                                        {{ $way->name }}<span class="fig">{{ $page::figure($way->load_a) }} A</span></button>
                                @endforeach
                            </div>
                        @endforeach
                    </div>
                @endforeach
                <p class="quiet" role="status" x-text="words"></p>
            </form>
        @endif
        @error('moves')
            <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
        @enderror
        @if ($plan)
            <form method="post" action="{{ route('ways.balance', $page->switch) }}">
                @csrf
                <input type="hidden" name="moves" value="{{ json_encode($plan->moves) }}">
                <p><b>{{ $page->balance->fewest ? 'Fewest moves to the target' : 'Best that can be reached' }}:</b>
                    {{ implode(', ', array_map(fn($move) => "$move[id] to $move[to]", $plan->moves)) }}; then
                    {{ number_format($plan->planUnbalancePct, 1) }} %.</p>
                @if (auth()->user()->role->mayWrite())
                    <button class="btn btn-primary" type="submit">Move on the plan</button>
                @endif
            </form>
        @endif
    </section>
@endif

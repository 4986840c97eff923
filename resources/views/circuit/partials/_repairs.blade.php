@if ($page->proof->repairs !== [])
    <section class="repairs" aria-labelledby="repairs">
        <h3 id="repairs">Proposals</h3>
        <ul>
            @foreach ($page->proof->repairs as $repair)
                <li>
                    <p>{{ $repair->label }}. <small>Clears
                            {{ count($repair->clears) }}{{ $repair->raises === [] ? '' : ', raises ' . count($repair->raises) }}
                            of the findings.</small></p>
                    <p class="repair-do">
                        @if ($repair->rung)
                            <a class="btn btn-outline-primary"
                                href="{{ route('circuit', ['switch' => $page->switch, 'propose' => $repair->key()]) }}"
                                @if ($page->proposed?->key() === $repair->key()) aria-current="true" @endif>See it</a>
                        @endif
                        @if (auth()->user()->role->mayWrite())
                            <button class="btn btn-primary" type="submit" form="repair-form" name="repair" value="{{ $repair->key() }}">Put
                                it in</button>
                        @endif
                    </p>
                </li>
            @endforeach
        </ul>
        <form id="repair-form" method="post" action="{{ route('circuit.repair', $page->switch) }}">@csrf</form>
    </section>
@endif

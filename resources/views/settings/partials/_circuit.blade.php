@php($differing = count($page->panel->differences()))
<details class="block" id="circuit" @if ($differing > 0) open @endif>
    <summary>
        <h2>Against the control circuit: {{ $differing === 0 ? 'they agree' : "$differing differ" }}</h2>
    </summary>
    <p class="working">What the panel does comes from its circuit, the dials and the times of its devices, played. The stopwatch is
        judged by the sheet: where they differ, one of them is wrong.</p>
    @error('circuit')
        <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
    <div class="wide" tabindex="0" role="region" aria-label="Sheet against circuit, table">
        <table class="ruled blocks">
            <thead>
                <tr>
                    <th scope="col">Setting</th>
                    <th scope="col">Sheet</th>
                    <th scope="col">Circuit</th>
                    <th scope="col">Compared</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($page->panel->rows() as $row)
                    <tr>
                        <td>{{ $row->what }}</td>
                        <td class="fig" data-label="Sheet">{{ $row->sheet }}</td>
                        <td class="fig" data-label="Circuit">{{ $row->panel }}</td>
                        <td data-label="Compared"><x-glyph :kind="$row->agrees ? 'proven' : 'warn'" />
                            {{ $row->agrees ? 'agrees' : 'differs' }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
    @if ($differing > 0 && auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('sheet.circuit', $page->switch) }}">
            @csrf
            <input type="hidden" name="seen_version" value="{{ $page->switch->sheet?->version ?? 0 }}">
            <button class="btn btn-outline-primary" type="submit">Propose the sheet that the circuit keeps</button>
            <a class="btn btn-link" href="{{ route('circuit.play', $page->switch) }}">Dials and times of the circuit</a>
        </form>
    @endif
</details>

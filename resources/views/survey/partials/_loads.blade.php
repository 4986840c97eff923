@php($mayWrite = auth()->user()->role->mayWrite())
<form method="post" action="{{ route('loads.save', $switch) }}" class="block" id="loads" enctype="multipart/form-data">
    @csrf @method('put')
    <input type="hidden" name="was" value="{{ old('was', json_encode(\App\Stage\Survey\LoadLines::kept($switch))) }}">
    <div class="head">
        <h2>Loads</h2><a class="btn btn-outline-primary" href="{{ route('loads.export', $switch) }}">CSV</a>
    </div>
    @include('survey.partials._load-rows', [
        'lines' => old('loads', \App\Stage\Survey\LoadLines::kept($switch)),
        'legs' => 'connect',
        'ticks' => \App\Stage\Survey\LoadLines::TICKS,
        'choices' => \App\Stage\Survey\LoadLines::connections($switch),
    ])
    <p class="field-hint">Priority 1 comes back first, 99 last. Where a leg is not known, a load of up to 16 A is taken to sit on the
        lighter leg, and the plan says so. Clear a name to take a load out; three empty lines are always there.</p>
    @error('sure')
        <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
        <label class="check"><input class="form-check-input" type="checkbox" name="sure" value="1">These figures are right</label>
    @enderror
    @error('loads')
        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
    @enderror
    @if ($mayWrite)
        <div class="row-of-buttons"><button class="btn btn-primary" type="submit">Save the loads</button><button
                class="btn btn-outline-primary" type="submit" name="next" value="1">Save, and on</button></div>
        <div class="fields put-in">
            <details class="field wide-field">
                <summary>From the library, many at once</summary>
                <div class="typical-picks">
                    @foreach ($page->library() as $typical)
                        <label class="check"><input class="form-check-input" type="checkbox" name="typical[]"
                                value="{{ $typical['name'] }}">{{ $typical['name'] }}, {{ (float) $typical['kw'] }}&#8239;kW</label>
                    @endforeach
                </div>
                <button class="btn btn-outline-primary" type="submit" formaction="{{ route('loads.put-in', $switch) }}" name="_method"
                    value="post">Put them in</button>
                @error('typical')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
                <p class="field-hint">Usual figures, to be put right from the nameplate. <a href="{{ route('typical-loads') }}">The library
                        of loads</a></p>
            </details>
            <div class="field"><label for="table">From a table (CSV)</label>
                <div class="joined"><input class="form-control" type="file" id="table" name="table" accept=".csv,text/csv"><button
                        class="btn btn-outline-primary" type="submit" formaction="{{ route('loads.put-in', $switch) }}" name="_method"
                        value="post">Read it</button></div>
                @error('table')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
                <p class="field-hint">Columns as the CSV above has them. Its lines come below what is typed; nothing is kept until you save.
                </p>
            </div>
        </div>
    @endif
</form>

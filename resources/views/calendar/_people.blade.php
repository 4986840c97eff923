<section class="block" aria-labelledby="people">
    <h2 id="people">Who works when</h2>
    <div class="scroll-x">
        <table class="ruled">
            <thead>
                <tr>
                    <th>Person</th>
                    <th>Days</th>
                    <th>Hours</th>
                    <th>Can do</th>
                    <th>Base</th>
                    <th></th>
                </tr>
            </thead>
            <tbody>
                @foreach ($people as $person)
                    @php($profile = $profiles[$person->id] ?? null)
                    <tr>
                        <th scope="row">{{ $person->name }}</th>
                        <td>{{ $profile?->dayNames() ?? 'not entered' }}</td>
                        <td class="fig">{{ $profile ? "$profile->from to $profile->to" : '' }}</td>
                        <td>{{ implode(', ', $profile->skills ?? []) }}</td>
                        <td class="fig">{{ $profile ? "$profile->lat, $profile->lon" : '' }}</td>
                        <td>
                            @if (auth()->user()->role->mayLead() || (auth()->id() === $person->id && auth()->user()->role->mayWrite()))
                                <a href="{{ route('calendar', ['person' => $person->id]) }}#profile">Change</a>
                            @endif
                        </td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
    @if ($edited)
        @php($profile = $profiles[$edited->id] ?? null)
        @php($days = old('days', $profile->days ?? \App\Models\WorkProfile::USUAL_DAYS))
        <form method="post" action="{{ route('profile.save', $edited) }}" class="block" id="profile">
            @csrf @method('put')
            <h3>{{ $edited->name }}</h3>
            <div class="fields">
                <fieldset class="field field-wide">
                    <legend>Days</legend>
                    <div class="choice">
                        @foreach (\App\Models\WorkProfile::DAYS as $day => $words)
                            <label><input type="checkbox" name="days[]" value="{{ $day }}"
                                    @checked(in_array($day, $days, true))><span>{{ $words }}</span></label>
                        @endforeach
                    </div>
                    @error('days')
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                </fieldset>
                <x-field name="from" label="Leaves the base" :value="old('from', $profile->from ?? '08:00')" inputmode="numeric" />
                <x-field name="to" label="Is back" :value="old('to', $profile->to ?? '17:00')" inputmode="numeric" />
                <x-field name="skills" label="Can do" :value="old('skills', implode(', ', $profile->skills ?? ['electric', 'engine']))"
                    hint="electric, engine, gas" />
                <x-field name="lat" label="Base, latitude" unit="°" inputmode="decimal" :value="old('lat', $profile?->lat)" />
                <x-field name="lon" label="Base, longitude" unit="°" inputmode="decimal" :value="old('lon', $profile?->lon)" />
            </div>
            <button class="btn btn-primary" type="submit">Save the hours</button>
        </form>
    @endif
    <h3>Away</h3>
    @if ($absences->isEmpty())
        <p class="quiet">Nobody, as far as is known.</p>
    @endif
    @foreach ($absences as $absence)
        <div class="link-line"><span><b>{{ $absence->user->name ?? 'The whole company' }}</b>
                {{ $absence->from->format('j M') }} to {{ $absence->to->format('j M Y') }}, {{ $absence->words }}</span>
            @if (auth()->user()->role->mayWrite())
                <form method="post" action="{{ route('absence.remove', $absence) }}">@csrf @method('delete')<button
                        class="btn btn-outline-primary" type="submit">Take back</button></form>
            @endif
        </div>
    @endforeach
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('absences') }}">
            @csrf
            <div class="fields">
                <div class="field"><label for="who">Who</label><select class="form-select" id="who" name="who">
                        <option value="">the whole company</option>
                        @foreach ($people as $person)
                            <option value="{{ $person->id }}" @selected(old('who') == $person->id)>{{ $person->name }}</option>
                        @endforeach
                    </select></div>
                <x-field name="away_from" label="First day" type="date" :value="old('away_from', '')" />
                <x-field name="away_to" label="Last day" type="date" :value="old('away_to', '')" />
                <x-field name="words" label="Why" :value="old('words', '')" maxlength="120" />
            </div>
            <button class="btn btn-outline-primary" type="submit">Put it down</button>
        </form>
        @if (auth()->user()->role->mayWriteForAll())
            <details @if ($errors->has('ics')) open @endif>
                <summary>Import absences from a calendar file</summary>
                <form method="post" action="{{ route('absences.import') }}" enctype="multipart/form-data" class="fields">
                    @csrf
                    <div class="field"><label for="ics">Calendar (.ics)</label><input id="ics"
                            @class(['form-control', 'is-invalid' => $errors->has('ics')])
                            type="file" name="ics" accept=".ics,text/calendar">
                        @error('ics')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </div>
                    <div class="field"><label for="ics-who">Of</label><select class="form-select" id="ics-who" name="who">
                            <option value="">the whole company</option>
                            @foreach ($people as $person)
                                <option value="{{ $person->id }}">{{ $person->name }}</option>
                            @endforeach
                        </select></div>
                    <div><button class="btn btn-outline-primary" type="submit">Take them over</button></div>
                </form>
            </details>
        @endif
    @endif
</section>

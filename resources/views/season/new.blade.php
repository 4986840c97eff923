@use('App\Http\Typed')
@extends('layouts.site', ['standing' => $standing, 'here' => 'rehearsal'])
@section('title', $switch->site->name . ': season')
@section('main')
    <div class="head">
        <div>
            <h1>A season, played through several sheets</h1>
            <p>What would each of them have cost: starts, dark time, fuel. <a href="{{ route('rehearsal', $switch) }}">Back to the
                    rehearsal</a>
            </p>
        </div>
    </div>
    @if ($seasons->isNotEmpty())
        <section class="block">
            <h2>Played before</h2>
            <ul class="plain-list">
                @foreach ($seasons as $season)
                    <li><a href="{{ route('season', $season) }}"><span
                                class="fig">{{ $season->created_at->setTimezone($switch->site->timezone)->format('j M Y H:i') }}</span>
                            {{ $season->title }}, {{ $season->state->value }}</a></li>
                @endforeach
            </ul>
        </section>
    @endif
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('seasons.begin', $switch) }}">
            @csrf
            <fieldset class="block">
                <legend>The sheets to try, twenty at most</legend>
                @error('versions')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
                @foreach ($switch->sheets as $sheet)
                    @php($chosen = Typed::ticked(old('versions', [$switch->sheet->version])))
                    <label class="check"><input class="form-check-input" type="checkbox" name="versions[]"
                            value="{{ $sheet->version }}"
                            @checked(in_array((string) $sheet->version, $chosen, true))>
                        Version {{ $sheet->version }}, {{ $sheet->standing->label() }}
                        @if ($sheet->note)
                            <span class="quiet">{{ Str::limit($sheet->note, 60) }}</span>
                        @endif
                    </label>
                @endforeach
                <div class="fields">
                    <div class="field"><label for="turn">And turn, on version {{ $switch->sheet->version }}</label><select
                            class="form-select" id="turn" name="turn">
                            <option value="">nothing</option>
                            @foreach (array_keys(\App\Stage\Season\SeasonRequest::TURNS) as $path)
                                <option value="{{ $path }}" @selected(old('turn', '/return_delay_ms') === $path)>
                                    {{ \Escapement\Core\Settings\SheetWords::label($path) }}, {{ str_ends_with($path, '_ms') ? 's' : '%' }}
                                </option>
                            @endforeach
                        </select>
                    </div>
                    <x-field name="turn_from" label="from" :value="old('turn_from', 15)" inputmode="decimal" />
                    <x-field name="turn_to" label="to" :value="old('turn_to', 600)" inputmode="decimal" />
                    <x-field name="turn_steps" label="in steps" :value="old('turn_steps', 8)" inputmode="numeric" />
                </div>
            </fieldset>
            <fieldset class="block">
                <legend>What disturbs the supply</legend>
                <div class="fields">
                    <div class="field field-wide"><label for="recording">A recording</label><select class="form-select" id="recording"
                            name="recording">
                            <option value="">none: draw it from the rates below</option>
                            @foreach ($recordings as $recording)
                                <option value="{{ $recording->id }}"
                                    @selected(old('recording') == $recording->id)>{{ $recording->name }}</option>
                            @endforeach
                        </select>
                        @error('recording')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </div>
                    <x-field name="days" label="Days" :value="old('days', 365)" inputmode="numeric" />
                    <x-field name="seed" label="Seed" :value="old('seed', 7)" inputmode="numeric"
                        hint="The same seed draws the same season." />
                    <x-field name="blinks" label="Blinks a year" :value="old('blinks', 40)" inputmode="decimal" />
                    <x-field name="blink_s" label="A blink lasts up to" unit="s" :value="old('blink_s', 3)" inputmode="decimal" />
                    <x-field name="sags" label="Sags a year" :value="old('sags', 60)" inputmode="decimal" />
                    <x-field name="sag_pct" label="Down to" unit="%" :value="old('sag_pct', 45)" inputmode="decimal" />
                    <x-field name="sag_s" label="A sag lasts up to" unit="s" :value="old('sag_s', 2)" inputmode="decimal" />
                    <x-field name="outages" label="Outages a year" :value="old('outages', 12)" inputmode="decimal" />
                    <x-field name="outage_least_s" label="An outage lasts from" unit="s" :value="old('outage_least_s', 20)"
                        inputmode="decimal" />
                    <x-field name="outage_most_s" label="to" unit="s" :value="old('outage_most_s', 28800)" inputmode="decimal" />
                    <x-field name="false_pct" label="Returns that do not last" unit="%" :value="old('false_pct', 30)" inputmode="decimal"
                        hint="Of the outages: back, and gone again within a minute." />
                </div>
            </fieldset>
            <fieldset class="block">
                <legend>What the generator burns, if it shall be counted</legend>
                @php($units = new \App\Bridge\Units($switch->site->units))
                <div class="fields"><x-field name="idle_burn" label="Unloaded" :unit="$units->volume() . '/h'" :value="old('idle_burn')"
                        inputmode="decimal" />
                    <x-field name="loaded_burn" label="With load" :unit="$units->volume() . '/h'" :value="old('loaded_burn')"
                        inputmode="decimal" />
                </div>
            </fieldset>
            <button class="btn btn-primary" type="submit">Play the season</button>
        </form>
    @endif
@endsection

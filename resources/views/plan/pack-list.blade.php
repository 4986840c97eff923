@use('App\Http\Typed')
@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': pack list')
@section('main')
    <div class="head">
        <div>
            <h1>Materials and tools</h1>
            <p>From the schedule of wires, a tenth more of each kind. Tick it off at the van.</p>
        </div>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'pack-list'])
    @include('plan.partials._pack')
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('pack-list.save', $page->switch) }}" class="block">
            @csrf @method('put')
            <h2>Own lines, and calibration</h2>
            @php($lines = Typed::lines(old('own', $page->own)))
            @for ($i = 0; $i < count($lines) + 2; $i++)
                <div class="own-line"><input @class(['form-control', 'is-invalid' => $errors->has("own.$i.name")])
                        name="own[{{ $i }}][name]"
                        value="{{ $lines[$i]['name'] ?? '' }}" maxlength="120" aria-label="Own line {{ $i + 1 }}"><input
                        @class([
                            'form-control',
                            'fig',
                            'is-invalid' => $errors->has("own.$i.quantity"),
                        ]) name="own[{{ $i }}][quantity]" value="{{ $lines[$i]['quantity'] ?? '' }}"
                        inputmode="decimal" aria-label="How many of own line {{ $i + 1 }}">
                    @foreach (['name', 'quantity'] as $key)
                        @error("own.$i.$key")
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    @endforeach
                </div>
            @endfor
            <div class="fields">
                @foreach ($page->lines as $line)
                    @if ($line->isGauge)
                        <x-field :name="'calibrated[' . $line->key . ']'" :errorKey="'calibrated.' . $line->key" type="date"
                            :label="$line->name . ', calibrated'"
                            :value="old('calibrated.' . $line->key, $page->calibrated[$line->key] ?? '')" />
                    @endif
                @endforeach
            </div>
            <button class="btn btn-outline-primary" type="submit">Save own lines</button>
        </form>
    @endif
@endsection

@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': wires')
@section('frame', 'frame-wide')
@section('main')
<div class="head"><div><h1>Feeders and wires</h1><p>{{ $page->isProposed() ? 'The usual runs of such an installation, to begin with: correct and save them.' : 'Each run with what it takes.' }}</p></div></div>
@include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'wires'])
<x-hazard><b>The tables are planning figures.</b> Confirm each against the edition in force, the maker's data and the authority; a licensed electrician installs, with everything isolated, locked and proved dead.</x-hazard>
@foreach ($page->waiting as $sentence)<p class="missing"><x-glyph kind="warn"/><span>{{ $sentence }} <a href="{{ route('survey', ['site' => $page->switch->site_id, 'on' => 'source', 'switch' => $page->switch->id]) }}">To the survey</a></span></p>@endforeach
<div class="scroll-x"><table class="ruled"><thead><tr><th>Run</th><th class="num-col">Size</th><th class="num-col">Ground</th><th class="num-col">Drop</th><th class="num-col">Fill</th><th>Raceway that fits</th><th>The other metal</th></tr></thead><tbody>
@foreach ($page->rows as $row)
<tr><td><b>{{ $row->typed('name') }}</b><small>{{ $row->typed('amps') }}&#8239;A behind {{ $row->typed('ocpd_a') }}&#8239;A, {{ $row->length() }}&#8239;{{ $page->units->length() }}</small></td>
    <td class="num-col fig">{{ $row->sets() > 1 ? $row->sets() . ' × ' : '' }}{{ $row->size ?? '–' }} {{ ucfirst($row->typed('material')) }}</td><td class="num-col fig">{{ $row->egc ?? ($row->typed('service') === '1' ? 'by neutral' : '–') }}</td><td class="num-col fig">{{ $row->dropPct === null ? '–' : round($row->dropPct, 1) . ' %' }}</td>
    <td class="num-col fig">{{ $row->fillPct === null ? '–' : round($row->fillPct) . ' %' }}</td><td class="fig">{{ $page->raceways[$row->typed('raceway')] ?? $row->typed('raceway') }} {{ $row->minTradeSize ?? 'none' }}</td>
    <td class="fig">@php($other = $row->typed('material') === 'cu' ? 'al' : 'cu')@if ($row->compare){{ $row->compare[$other]['size'] ?? '–' }} {{ ucfirst($other) }}, {{ $row->compare[$other]['min_trade_size'] ?? 'none' }}@endif</td></tr>
@endforeach
</tbody></table></div>
@foreach ($page->rows as $row)@if ($row->fault)<p class="field-error"><x-glyph kind="stop"/>{{ $row->typed('name') }}: {{ $row->fault }}</p>@endif @endforeach
@foreach ($page->findings() as $told)<div class="told"><p class="told-of">{{ implode(', ', $told['runs']) }}</p><x-finding :finding="$told['finding']"/></div>@endforeach
@foreach ($page->rows as $row)
<details class="why"><summary>Working of {{ $row->typed('name') }}</summary>@foreach ($row->working as $line)<p><b>{{ $line->label }}</b>: <span class="fig">{{ $line->expression }} = {{ is_numeric($line->value) ? round((float) $line->value, 3) : $line->value }} {{ $line->unit }}</span></p>@endforeach</details>
@endforeach
@if (auth()->user()->role->mayWrite())
<form method="post" action="{{ route('wires.save', $page->switch) }}" class="block">
    @csrf @method('put')
    <x-seen :kept="$page->switch->plan?->runs"/>
    <h2>The runs</h2>
    @php($lines = old('runs', array_map(fn ($row) => $row->run + ['length' => $row->length()], $page->rows)))
    <div class="scroll-x"><table class="ruled runs-form"><thead><tr><th>Run</th><th>From</th><th>To</th><th>Carries, A</th><th>Breaker, A</th><th>Length, {{ $page->units->length() }}</th><th>Sets</th><th>Metal</th><th>Raceway</th><th>Trade size</th><th>Whole dwelling</th><th>Ahead of the main</th></tr></thead><tbody>
    @for ($i = 0; $i < count($lines) + 2; $i++)
        <tr><td><input @class(['form-control', 'is-invalid' => $errors->has("runs.$i.name")]) aria-label="Name of run {{ $i + 1 }}" maxlength="60" name="runs[{{ $i }}][name]" value="{{ $lines[$i]['name'] ?? '' }}">@error("runs.$i.name")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>
        @foreach (['from' => 'Beginning', 'to' => 'End'] as $key => $words)<td><select @class(['form-select', 'is-invalid' => $errors->has("runs.$i.$key")]) aria-label="{{ $words }} of run {{ $i + 1 }}" name="runs[{{ $i }}][{{ $key }}]"><option value="">not said</option>@foreach ($page->enclosures as $id => $name)<option value="{{ $id }}" @selected(($lines[$i][$key] ?? '') === $id)>{{ $name }}</option>@endforeach</select>@error("runs.$i.$key")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>@endforeach
        @foreach (['amps' => 'Amps', 'ocpd_a' => 'Breaker', 'length' => 'Length'] as $key => $words)<td><input @class(['form-control', 'fig', 'is-invalid' => $errors->has("runs.$i.$key")]) aria-label="{{ $words }} of run {{ $i + 1 }}" inputmode="decimal" name="runs[{{ $i }}][{{ $key }}]" value="{{ $lines[$i][$key] ?? '' }}">@error("runs.$i.$key")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>@endforeach
        <td><input @class(['form-control', 'fig', 'is-invalid' => $errors->has("runs.$i.sets")]) aria-label="Parallel sets of run {{ $i + 1 }}" inputmode="numeric" name="runs[{{ $i }}][sets]" value="{{ $lines[$i]['sets'] ?? 1 }}">@error("runs.$i.sets")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>
        <td><select class="form-select" aria-label="Metal of run {{ $i + 1 }}" name="runs[{{ $i }}][material]">@foreach (['cu' => 'copper', 'al' => 'aluminium'] as $value => $words)<option value="{{ $value }}" @selected(($lines[$i]['material'] ?? '') === $value)>{{ $words }}</option>@endforeach</select>@error("runs.$i.material")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>
        <td><select class="form-select" aria-label="Raceway of run {{ $i + 1 }}" name="runs[{{ $i }}][raceway]">@foreach ($page->raceways as $value => $words)<option value="{{ $value }}" @selected(($lines[$i]['raceway'] ?? 'pvc40') === $value)>{{ $words }}</option>@endforeach</select>@error("runs.$i.raceway")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>
        <td><select class="form-select" aria-label="Trade size of run {{ $i + 1 }}" name="runs[{{ $i }}][trade_size]">@foreach (\Escapement\Core\Wiring\Raceways::TRADE_SIZES as $value)<option @selected(($lines[$i]['trade_size'] ?? '2') === $value)>{{ $value }}</option>@endforeach</select>@error("runs.$i.trade_size")<p class="field-error"><x-glyph kind="stop"/>{{ $message }}</p>@enderror</td>
        <td><label class="check"><input class="form-check-input" type="checkbox" name="runs[{{ $i }}][dwelling]" value="1" aria-label="Run {{ $i + 1 }} carries the whole dwelling" @checked(($lines[$i]['dwelling'] ?? '0') === '1')></label></td>
        <td><label class="check"><input class="form-check-input" type="checkbox" name="runs[{{ $i }}][service]" value="1" aria-label="Run {{ $i + 1 }} is ahead of the main" @checked(($lines[$i]['service'] ?? '0') === '1')></label></td></tr>
    @endfor
    </tbody></table></div>
    <p class="field-hint">The 83 % option is for a run that carries the whole load of one dwelling. Ahead of the main there is no grounding conductor: the neutral carries a fault. Clear a line to take its run out.</p>
    <button class="btn btn-primary" type="submit">Save the runs</button>
</form>
@endif
@endsection

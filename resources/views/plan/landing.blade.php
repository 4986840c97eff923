@use('App\Http\Typed')
@use('App\Stage\Plan\LandingPage')
@use('Escapement\Core\Wiring\Torque\TorqueTable')
@use('Escapement\Core\Wiring\Colours\ColourSystem')
@use('Escapement\Core\Commissioning\Procedure\InstallationSteps')
@extends('layouts.site', ['standing' => $page->standing, 'here' => 'plan'])
@section('title', $page->switch->site->name . ': landing and torque')
@section('frame', 'frame-wide')
@section('main')
    <div class="head">
        <div>
            <h1>Terminations and torque</h1>
            <p>In the order of landing: what lies deepest first, or the cover will not close.</p>
        </div>
    </div>
    @include('plan.partials._nav', ['switch' => $page->switch, 'now' => 'landing'])
    <x-hazard><b>Dead, locked, proved dead.</b> Nothing is landed before both sources are isolated, locked out and proved dead by a licensed
        electrician. The torque is the maker's; a table is a last resort. Colours prove nothing: each conductor is identified by
        test.</x-hazard>
    @forelse ($page->enclosures as $table)
        <section class="block" aria-labelledby="at-{{ $table->id }}">
            <h2 id="at-{{ $table->id }}">{{ $table->name }}</h2>
            @if ($table->fault)
                <p class="field-error"><x-glyph kind="stop" />{{ $table->fault }}</p>
            @endif
            <div class="scroll-x">
                <table class="ruled landings blocks">
                    <thead>
                        <tr>
                            <th class="num-col">No.</th>
                            <th>Terminal</th>
                            <th>Conductor</th>
                            <th>Of the run</th>
                            <th class="num-col">Size</th>
                            <th>Colour</th>
                            <th>Screw</th>
                            <th>Torque</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($table->lines as $i => $line)
                            <tr>
                                <td class="num-col fig" data-label="No.">{{ $i + 1 }}</td>
                                <td data-label="Terminal"><b>{{ $line['terminal'] }}</b></td>
                                <td class="fig" data-label="Conductor">{{ $line['conductor'] }}</td>
                                <td data-label="Of the run">{{ $line['feeder'] }}</td>
                                <td class="num-col fig" data-label="Size">{{ $line['size'] }}</td>
                                <td data-label="Colour">{{ $table->colour($line) }}</td>
                                <td data-label="Screw">{{ LandingPage::SCREWS[$line['screw']] }}@if ($page->hasSocket($line))
                                        <span class="fig">{{ $line['socket_in'] }}</span> in
                                    @endif
                                </td>
                                @php($target = $table->target($i))
                                <td data-label="Torque"><span
                                        class="fig">{{ $target['value'] }}</span><small>{{ $target['source'] }}</small>
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            @php($here = array_filter($page->entries, fn($entry) => $entry->enclosure === $table->id))
            @if ($here !== [])
                <p class="entries"><b>Entries.</b>
                    @foreach ($here as $entry)
                        {{ $entry->feeder }}: <span
                            class="fig">{{ $entry->pieces > 1 ? $entry->pieces . ' × ' : '' }}{{ $entry->tradeSize }}</span>, knock-out
                        <span class="fig">{{ $entry->knockOutIn }}</span>&#8239;in,
                        {{ $page->fitting($entry) }}.
                    @endforeach
                </p>
            @endif
        </section>
        @empty
            <p class="quiet">No run has both its ends named yet. <a href="{{ route('wires', $page->switch) }}">Say in the schedule what each
                    run joins.</a></p>
        @endforelse
        @foreach ($page->findings() as $finding)
            <x-finding :finding="$finding" />
        @endforeach
        @if ($page->controls !== [])
            <section class="block" aria-labelledby="controls">
                <h2 id="controls">Control conductors</h2>
                <div class="scroll-x">
                    <table class="ruled blocks">
                        <thead>
                            <tr>
                                <th>Conductor</th>
                                <th>Terminals</th>
                                <th>Why it matters</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ([...$page->controls, ...$page->jumpers] as $line)
                                <tr>
                                    <td><b>{{ $line['function'] }}</b></td>
                                    <td class="fig" data-label="Terminals">
                                        {{ $line['terminals'] === '' ? 'from the maker\'s diagram' : $line['terminals'] }}</td>
                                    <td data-label="Why it matters">{{ $line['why'] }} {{ $line['note'] }}</td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
                <p class="finding-because">Small stranded conductors get ferrules or forks. Control and power conductors share a raceway
                    only where the code in force and their insulation allow it.</p>
            </section>
        @endif
        @if ($page->boxes !== [])
            <section class="block" aria-labelledby="boxes">
                <h2 id="boxes">Pull and splice boxes</h2>
                <div class="scroll-x">
                    <table class="ruled">
                        <thead>
                            <tr>
                                <th>Box</th>
                                <th>Inside, in</th>
                                <th>Needed</th>
                                <th>Fits</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($page->boxes as $one)
                                @php($v = $one['answer']?->values)
                                <tr>
                                    <td><b>{{ $one['box']['name'] }}</b><small>{{ $one['box']['from'] }}, {{ $one['box']['from_wall'] }}, to
                                            {{ $one['box']['to'] }},
                                            {{ $one['box']['to_wall'] }}{{ $one['box']['splice'] ? ', spliced' : '' }}</small></td>
                                    <td class="fig">{{ $one['box']['w_in'] }} × {{ $one['box']['h_in'] }} × {{ $one['box']['d_in'] }}</td>
                                    <td class="fig">
                                        @if ($v === null)
                                            –
                                        @elseif (isset($v['required_w_in']))
                                            {{ round($v['required_w_in'], 1) }} × {{ round($v['required_h_in'], 1) }} ×
                                            {{ round($v['required_d_in'], 1) }}@else{{ round($v['required_in3'] ?? 0, 1) }} in³
                                        @endif
                                    </td>
                                    <td>
                                        @if ($one['fault'])
                                            <x-glyph kind="stop" />{{ $one['fault'] }}
                                        @elseif ($v['passes'] ?? false)
                                        yes @else<x-glyph kind="stop" /> too small
                                        @endif
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            </section>
        @endif
        @if (auth()->user()->role->mayWrite())
            <details class="block" @if ($errors->any()) open @endif>
                <summary>
                    <h2>Correct it</h2>
                </summary>
                <form method="post" action="{{ route('landing.save', $page->switch) }}">
                    @csrf @method('put')
                    <x-seen :kept="$page->switch->plan?->landing" />
                    @foreach ($page->enclosures as $table)
                        <h3>{{ $table->name }}</h3>
                        @php($lines = Typed::lines(old("enclosures.$table->id", $table->lines)))
                        <div class="scroll-x">
                            <table class="ruled landing-form">
                                <thead>
                                    <tr>
                                        <th>Order</th>
                                        <th>Conductor</th>
                                        <th>Terminal</th>
                                        <th>It is</th>
                                        <th>Colour</th>
                                        <th>Tape</th>
                                        <th>Screw</th>
                                        <th>Socket</th>
                                        <th>Maker's torque</th>
                                        <th>Unit</th>
                                    </tr>
                                </thead>
                                <tbody>
                                    @foreach ($lines as $i => $line)
                                        @php($at = "enclosures[$table->id][$i]")
                                        @php($key = "enclosures.$table->id.$i")
                                        <tr>
                                            <td><input @class([
                                                'form-control',
                                                'fig',
                                                'is-invalid' => $errors->has("$key.place"),
                                            ]) name="{{ $at }}[place]"
                                                    value="{{ is_int($line['place'] ?? null) ? $i + 1 : $line['place'] ?? $i + 1 }}"
                                                    inputmode="numeric"
                                                    aria-label="Order of {{ $line['conductor'] }} of {{ $line['feeder'] }}">
                                                @error("$key.place")
                                                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                                @enderror
                                            </td>
                                            <td><span class="fig">{{ $line['conductor'] }}</span> <small>{{ $line['feeder'] }}</small><input
                                                    type="hidden" name="{{ $at }}[conductor]" value="{{ $line['conductor'] }}"><input
                                                    type="hidden" name="{{ $at }}[feeder]" value="{{ $line['feeder'] }}"></td>
                                            <td><input @class([
                                                'form-control',
                                                'is-invalid' => $errors->has("$key.terminal"),
                                            ]) name="{{ $at }}[terminal]"
                                                    value="{{ $line['terminal'] }}" maxlength="40" aria-label="Terminal">
                                                @error("$key.terminal")
                                                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                                @enderror
                                            </td>
                                            <td><select class="form-select" name="{{ $at }}[on]" aria-label="Function of the terminal">
                                                    @foreach (['L1', 'L2', 'L3', 'N', 'G'] as $on)
                                                        <option @selected(($line['on'] ?? '') === $on)>{{ $on }}</option>
                                                    @endforeach
                                                </select>
                                            </td>
                                            <td><select class="form-select" name="{{ $at }}[colour]" aria-label="Colour">
                                                    @foreach (array_diff(ColourSystem::COLOURS, ['grey']) as $colour)
                                                        <option value="{{ $colour }}" @selected($line['colour'] === $colour)>
                                                            {{ str_replace('_', '-', $colour) }}</option>
                                                    @endforeach
                                                </select>
                                            </td>
                                            <td><select class="form-select" name="{{ $at }}[reid]" aria-label="Tape or sleeve">
                                                    <option value="">none</option>
                                                    @foreach (array_diff(ColourSystem::REID, ['grey']) as $colour)
                                                        <option value="{{ $colour }}" @selected(($line['reid'] ?? '') === $colour)>
                                                            {{ str_replace('_', '-', $colour) }}</option>
                                                    @endforeach
                                                </select>
                                            </td>
                                            <td><select class="form-select" name="{{ $at }}[screw]" aria-label="Screw">
                                                    @foreach (LandingPage::SCREWS as $value => $words)
                                                        <option value="{{ $value }}" @selected($line['screw'] === $value)>
                                                            {{ $words }}
                                                        </option>
                                                    @endforeach
                                                </select>
                                            </td>
                                            <td><select class="form-select" name="{{ $at }}[socket_in]" aria-label="Socket, inches">
                                                    <option value="">none</option>
                                                    @foreach (TorqueTable::sockets() as $socket)
                                                        <option @selected(($line['socket_in'] ?? '') === $socket)>{{ $socket }}</option>
                                                    @endforeach
                                                </select>
                                            </td>
                                            <td><input @class([
                                                'form-control',
                                                'fig',
                                                'is-invalid' => $errors->has("$key.maker_value"),
                                            ]) name="{{ $at }}[maker_value]"
                                                    value="{{ $line['maker_value'] ?? '' }}" inputmode="decimal"
                                                    aria-label="Maker's torque">
                                                @error("$key.maker_value")
                                                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                                @enderror
                                            </td>
                                            <td><select class="form-select" name="{{ $at }}[maker_unit]"
                                                    aria-label="Unit of the torque">
                                                    @foreach (InstallationSteps::UNITS as $value => $words)
                                                        <option value="{{ $value }}"
                                                            @selected(($line['maker_unit'] ?? '') === $value)>{{ $words }}
                                                        </option>
                                                    @endforeach
                                                </select>
                                            </td>
                                        </tr>
                                    @endforeach
                                </tbody>
                            </table>
                        </div>
                    @endforeach
                    @foreach (['controls' => 'Control conductors', 'jumpers' => 'Option jumpers'] as $list => $words)
                        @php($lines = Typed::lines(old($list, $list === 'controls' ? $page->controls : $page->jumpers)))
                        <h3>{{ $words }}</h3>
                        <div class="scroll-x">
                            <table class="ruled runs-form">
                                <thead>
                                    <tr>
                                        <th>What it does</th>
                                        <th>Terminals</th>
                                        <th>Note</th>
                                        @if ($list === 'jumpers')
                                            <th>Fitted</th>
                                            <th>Wanted</th>
                                        @endif
                                    </tr>
                                </thead>
                                <tbody>
                                    @for ($i = 0; $i < count($lines) + 1; $i++)
                                        <tr>
                                            @foreach (['function' => 80, 'terminals' => 60, 'note' => 120] as $key => $most)
                                                <td><input @class([
                                                    'form-control',
                                                    'is-invalid' => $errors->has("$list.$i.$key"),
                                                ])
                                                        name="{{ $list }}[{{ $i }}][{{ $key }}]"
                                                        value="{{ $lines[$i][$key] ?? '' }}"
                                                        aria-label="{{ ucfirst($key) }}, line {{ $i + 1 }} of {{ mb_strtolower($words) }}">
                                                    @error("$list.$i.$key")
                                                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                                    @enderror
                                                </td>
                                            @endforeach
                                            @foreach ($list === 'jumpers' ? ['fitted', 'wanted'] : [] as $key)
                                                <td><select class="form-select"
                                                        name="{{ $list }}[{{ $i }}][{{ $key }}]"
                                                        aria-label="{{ ucfirst($key) }}, line {{ $i + 1 }} of option jumpers">
                                                        @foreach (['' => 'not known', 'yes' => 'yes', 'no' => 'no'] as $value => $said)
                                                            <option value="{{ $value }}" @selected(($lines[$i][$key] ?? '') === $value)>
                                                                {{ $said }}</option>
                                                        @endforeach
                                                    </select></td>
                                            @endforeach
                                        </tr>
                                    @endfor
                                </tbody>
                            </table>
                        </div>
                    @endforeach
                    <h3>Pull and splice boxes</h3>
                    @php($lines = Typed::lines(old('boxes', array_column($page->boxes, 'box'))))
                    @php($runs = array_map(fn($row) => $row->typed('name'), $page->work->rows))
                    <div class="scroll-x">
                        <table class="ruled runs-form">
                            <thead>
                                <tr>
                                    <th>Box</th>
                                    <th>Width, in</th>
                                    <th>Height, in</th>
                                    <th>Depth, in</th>
                                    <th>From the run</th>
                                    <th>on its</th>
                                    <th>To the run</th>
                                    <th>on its</th>
                                    <th>Spliced</th>
                                </tr>
                            </thead>
                            <tbody>
                                @for ($i = 0; $i < count($lines) + 1; $i++)
                                    <tr>
                                        <td><input @class([
                                            'form-control',
                                            'is-invalid' => $errors->has("boxes.$i.name"),
                                        ]) name="boxes[{{ $i }}][name]"
                                                value="{{ $lines[$i]['name'] ?? '' }}" maxlength="40"
                                                aria-label="Name of box {{ $i + 1 }}">
                                            @error("boxes.$i.name")
                                                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                            @enderror
                                        </td>
                                        @foreach (['w_in' => 'Width', 'h_in' => 'Height', 'd_in' => 'Depth'] as $key => $words)
                                            <td><input @class([
                                                'form-control',
                                                'fig',
                                                'is-invalid' => $errors->has("boxes.$i.$key"),
                                            ]) name="boxes[{{ $i }}][{{ $key }}]"
                                                    value="{{ $lines[$i][$key] ?? '' }}" inputmode="decimal"
                                                    aria-label="{{ $words }} of box {{ $i + 1 }}">
                                                @error("boxes.$i.$key")
                                                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                                @enderror
                                            </td>
                                        @endforeach
                                        @foreach (['from' => 'left', 'to' => 'right'] as $end => $usual)
                                            <td><select class="form-select" name="boxes[{{ $i }}][{{ $end }}]"
                                                    aria-label="Run {{ $end }} box {{ $i + 1 }}">
                                                    @foreach ($runs as $run)
                                                        <option @selected(($lines[$i][$end] ?? '') === $run)>{{ $run }}</option>
                                                    @endforeach
                                                </select>
                                            </td>
                                            @php($kept = $lines[$i]["{$end}_wall"] ?? $usual)
                                            <td><select class="form-select"
                                                    name="boxes[{{ $i }}][{{ $end }}_wall]"
                                                    aria-label="Wall {{ $end }} box {{ $i + 1 }}">
                                                    @foreach (\App\Stage\Plan\LandingPage::WALLS as $wall)
                                                        <option @selected($kept === $wall)>{{ $wall }}</option>
                                                    @endforeach
                                                </select></td>
                                        @endforeach
                                        <td><label class="check"><input class="form-check-input" type="checkbox"
                                                    name="boxes[{{ $i }}][splice]" value="1"
                                                    aria-label="Box {{ $i + 1 }} holds a splice"
                                                    @checked($lines[$i]['splice'] ?? false)></label>
                                        </td>
                                    </tr>
                                @endfor
                            </tbody>
                        </table>
                    </div>
                    <p class="field-hint">A box in the middle of one run: name that run on both sides. Clear a name to take a line out.</p>
                    <button class="btn btn-primary" type="submit">Save landing and boxes</button>
                </form>
            </details>
        @endif
    @endsection

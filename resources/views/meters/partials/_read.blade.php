@use('App\Http\Typed')
@if (auth()->user()->role->mayWrite())
    <form method="post" action="{{ route('meters.read', $page->switch) }}" class="block">
        @csrf
        <h2>Read a meter</h2>
        <p class="lead-in">All of one moment, with load on every phase. Empty: not read. Angles or kilowatts of each channel tell how the
            transformers are connected.</p>
        <div class="scroll-x">
            <table class="ruled typed-phases">
                <thead>
                    <tr>
                        <th></th>
                        @foreach (App\Stage\Meters\MeterRequest::PHASE as [$label, $unit])
                            <th>{{ $label }}{{ $unit === '' ? '' : ", $unit" }}</th>
                        @endforeach
                        <th>Leads</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ([0, 1, 2] as $phase)
                        <tr>
                            <th scope="row">L{{ $phase + 1 }}</th>
                            @foreach (App\Stage\Meters\MeterRequest::PHASE as $field => [$label])
                                <td><input @class([
                                    'form-control fig',
                                    'is-invalid' => $errors->has("$field.$phase"),
                                ]) inputmode="decimal"
                                        name="{{ $field }}[{{ $phase }}]" value="{{ $page->typed($field, $phase) }}"
                                        aria-label="{{ $label }}, L{{ $phase + 1 }}">
                                    @error("$field.$phase")
                                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                    @enderror
                                </td>
                            @endforeach
                            <td><input class="form-check-input" type="checkbox" name="lead[]" value="{{ $phase }}"
                                    @checked(in_array((string) $phase, Typed::ticked(old('lead', [])), true))
                                    aria-label="The current of L{{ $phase + 1 }} leads its voltage"></td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <div class="fields">
            @foreach (App\Stage\Meters\MeterRequest::LINES as $i => $line)
                <x-field :name="'v_ll_v[' . $i . ']'" :errorKey="'v_ll_v.' . $i" :label="$line" unit="V" inputmode="decimal"
                    :value="$page->typed('v_ll_v', $i)" />
            @endforeach
            @foreach (App\Stage\Meters\MeterRequest::SINGLE as $field => [$label, $unit])
                <x-field :name="$field" :label="$label" :unit="$unit" inputmode="decimal" :value="old($field, '')" />
            @endforeach
            <fieldset class="field">
                <legend>Order that is wanted</legend>
                <div class="choice">
                    @foreach (['abc' => 'L1 L2 L3', 'acb' => 'L1 L3 L2'] as $order => $words)
                        <label><input type="radio" name="rotation" value="{{ $order }}"
                                @checked(old('rotation', 'abc') === $order)><span>{{ $words }}</span></label>
                    @endforeach
                </div>
            </fieldset>
            <x-field name="note" label="Note" :value="old('note', '')" maxlength="300" />
            <div class="field field-wide"><label for="pasted">Or paste three lines: volts, amperes, power factor, kilowatts, angle of the
                    voltage, angle of the current; a dash for what was not read</label>
                <textarea id="pasted" name="pasted" rows="3" @class(['form-control fig', 'is-invalid' => $errors->has('pasted')])
                    maxlength="2000">{{ old('pasted') }}</textarea>
                @error('pasted')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </div>
        </div>
        <button class="btn btn-primary" type="submit">Keep the reading</button>
    </form>
@endif

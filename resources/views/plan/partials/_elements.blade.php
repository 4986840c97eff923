@use('App\Http\Typed')
@if (auth()->user()->role->mayWrite())
    <details class="block" @if ($errors->hasAny(['poles', 'panels.*'])) open @endif>
        <summary>
            <h2>Change the drawing</h2>
        </summary>
        <form method="post" action="{{ route('elements.save', $page->switch) }}">
            @csrf @method('put')
            <x-seen :kept="$page->switch->plan?->facts" />
            @php($panels = $page->facts->plan->panels())
            @php($lines = Typed::lines(old('panels', $page->kept?->facts['panels'] ?? [])))
            <div class="fields"><x-field name="poles" label="Poles of the switch" inputmode="numeric"
                    :value="old('poles', $page->switch->poles)"
                    hint="2 with a solid neutral, 3 with a switched one" /></div>
            <h3>Panels beside those of its kind</h3>
            <div class="scroll-x">
                <table class="ruled runs-form">
                    <thead>
                        <tr>
                            <th>Panel</th>
                            <th>Fed from</th>
                            <th>Its breaker, A</th>
                            <th>Bonded today</th>
                        </tr>
                    </thead>
                    <tbody>
                        @for ($i = 0; $i < count($lines) + 1; $i++)
                            <tr>
                                <td><input type="hidden" name="panels[{{ $i }}][id]" value="{{ $lines[$i]['id'] ?? '' }}"><input
                                        @class([
                                            'form-control',
                                            'is-invalid' => $errors->has("panels.$i.name"),
                                        ]) name="panels[{{ $i }}][name]"
                                        value="{{ $lines[$i]['name'] ?? '' }}" maxlength="40"
                                        aria-label="Name of panel {{ $i + 1 }}">
                                    @error("panels.$i.name")
                                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                    @enderror
                                </td>
                                <td><select @class([
                                    'form-select',
                                    'is-invalid' => $errors->has("panels.$i.from"),
                                ]) name="panels[{{ $i }}][from]"
                                        aria-label="Panel {{ $i + 1 }} is fed from">
                                        @foreach ($panels as $id => $name)
                                            <option value="{{ $id }}" @selected(($lines[$i]['from'] ?? '') === $id)>{{ $name }}</option>
                                        @endforeach
                                    </select>
                                    @error("panels.$i.from")
                                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                    @enderror
                                </td>
                                <td><input @class([
                                    'form-control',
                                    'fig',
                                    'is-invalid' => $errors->has("panels.$i.breaker_a"),
                                ]) name="panels[{{ $i }}][breaker_a]"
                                        value="{{ $lines[$i]['breaker_a'] ?? '' }}" inputmode="numeric"
                                        aria-label="Breaker of panel {{ $i + 1 }}">
                                    @error("panels.$i.breaker_a")
                                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                    @enderror
                                </td>
                                <td><select class="form-select" name="panels[{{ $i }}][bonded]"
                                        aria-label="Panel {{ $i + 1 }} is bonded today">
                                        @php($bonded = isset($lines[$i]['bonded']) ? (string) (int) $lines[$i]['bonded'] : '')
                                        @foreach (['' => 'not known', '0' => 'no', '1' => 'yes'] as $value => $words)
                                            <option value="{{ $value }}" @selected($bonded === (string) $value)>{{ $words }}</option>
                                        @endforeach
                                    </select>
                                </td>
                            </tr>
                        @endfor
                    </tbody>
                </table>
            </div>
            <h3>Where each load hangs</h3>
            <div class="fields">
                @foreach ($page->switch->loads as $load)
                    <div class="field"><label for="hangs-{{ $load->id }}">{{ $load->name }}</label><select class="form-select"
                            id="hangs-{{ $load->id }}" name="hangs[{{ $load->id }}]">
                            <option value="">where its kind puts it</option>
                            @foreach ($panels as $id => $name)
                                <option value="{{ $id }}" @selected(old("hangs.$load->id", $load->panel) === $id)>{{ $name }}</option>
                            @endforeach
                        </select>
                    </div>
                @endforeach
            </div>
            <p class="field-hint">Clear a name to take a panel out. Loads, legs and power are changed in the <a
                    href="{{ route('survey', [$page->switch->site_id, 'on' => 'loads', 'switch' => $page->switch]) }}">survey</a>.
            </p>
            <button class="btn btn-outline-primary" type="submit">Save the elements</button>
        </form>
    </details>
@endif

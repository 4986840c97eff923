<section class="log-entry" aria-labelledby="write">
    <h2 id="write" class="visually-hidden">Write it down</h2>
    <nav class="choice subjects" aria-label="Kind of entry">
        @foreach (array_diff_key(\App\Stage\Upkeep\EntryForm::kinds(), ['test' => true]) as $kind => $label)
            <a href="{{ route('logbook', ['switch' => $page->switch, 'kind' => $kind]) }}"
                @if ($kind === $page->kind) aria-current="true" @endif>{{ $label }}</a>
        @endforeach
    </nav>
    <div x-data="logEntry" data-log="{{ $page->setup() }}">
        <p class="net" role="status" x-show="hasWords" x-cloak><span x-text="words"></span></p>
        <ul class="plain" x-show="hasRefused" x-cloak>
            <template x-for="one in refused" x-bind:key="one.id">
                <li><span x-text="one.said"></span> <button type="button" class="btn btn-outline-primary" x-on:click="forget"
                        x-bind:data-id="one.id">Throw it away</button></li>
            </template>
        </ul>
        <form method="post" action="{{ route('logbook.add', $page->switch) }}" x-on:submit="keep" enctype="multipart/form-data">
            @csrf
            <input type="hidden" name="id" value="{{ old('id', $page->freshId()) }}">
            <input type="hidden" name="kind" value="{{ $page->kind }}">
            @if (in_array($page->kind, ['service', 'witness', 'battery'], true))
                <x-hazard><b>{{ $page->acts()->title() }}</b> {{ $page->acts()->danger() }} {{ $page->acts()->before() }}</x-hazard>
            @endif
            @if ($page->kind === 'service')
                @error('items')
                    <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
                <ul class="ticks">
                    @forelse ($page->upkeep->due as $one)
                        <li><label><input type="checkbox" name="items[]" value="{{ $one->item->id }}"
                                    @checked(in_array($one->item->id, old('items', [])))>
                                <span><b>{{ \App\Stage\Upkeep\UpkeepPage::item($one->item->id) }}</b>
                                    <small
                                        @class([
                                            'is-stop' => in_array($one->state, ['overdue', 'never'], true),
                                        ])>{{ \App\Stage\Upkeep\UpkeepPage::standing($one) }}</small></span></label>
                        </li>
                    @empty
                        <li class="quiet">What is serviced is not known yet: see <a
                                href="{{ route('schedule', $page->switch) }}">Schedule</a>.
                        </li>
                    @endforelse
                </ul>
            @endif
            <div class="fields">
                <x-field name="at" label="When" type="datetime-local" :value="old('at', $page->nowLocal())" />
                @foreach ($page->form->fields($page->kind) as $name => $field)
                    @if ($field['type'] === 'choice')
                        <div class="field">
                            <label for="f-f-{{ $name }}">{{ $field['label'] }}</label>
                            <select id="f-f-{{ $name }}" name="f[{{ $name }}]"
                                @class(['form-select', 'is-invalid' => $errors->has("f.$name")])>
                                @foreach ($field['choices'] as $value => $words)
                                    <option value="{{ $value }}" @selected(old("f.$name") === $value)>{{ $words }}</option>
                                @endforeach
                            </select>
                            @error("f.$name")
                                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                            @enderror
                        </div>
                    @else
                        <x-field :name="'f[' . $name . ']'" :errorKey="'f.' . $name" :label="$field['label']" :unit="$field['unit'] ?? null"
                            :type="$field['type'] === 'time' ? 'datetime-local' : 'text'"
                            :inputmode="$field['type'] === 'number' ? 'decimal' : null"
                            :value="old('f.' . $name, '')" />
                    @endif
                @endforeach
                <x-field name="note" label="Note" :value="old('note', '')" maxlength="300" />
            </div>
            @error('photos')
                <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
            @enderror
            <div class="row-of-buttons"><button class="btn btn-primary btn-glove" type="submit">Save entry</button>
                <label class="btn btn-outline-primary btn-glove now-camera">Picture<input type="file" name="photos[]" accept="image/*"
                        capture="environment" multiple x-on:change="pick"></label><span x-text="pickedWords" role="status"></span>
            </div>
        </form>
    </div>
</section>

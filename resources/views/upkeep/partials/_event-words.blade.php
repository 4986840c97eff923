@if ($fault)
    <p class="field-error"><x-glyph kind="stop" />{{ $fault }}</p>
@endif
@if ($table)
    <fieldset class="block">
        <legend>What is in it, {{ $table->isRemembered ? 'as for the last log with these headings' : 'as guessed from its words' }}</legend>
        <div class="fields">
            @foreach (['time' => ['Time', $table->time], 'words' => ['What happened', $table->words]] as $key => [$label, $at])
                <div class="field"><label for="e-{{ $key }}">{{ $label }}</label><select class="form-select"
                        id="e-{{ $key }}"
                        name="e[{{ $key }}]">
                        @foreach ($table->table->headings as $i => $heading)
                            <option value="{{ $i }}" @selected($at === $i)>{{ $heading }}</option>
                        @endforeach
                    </select></div>
            @endforeach
            @foreach ($vocabulary as $words => $meaning)
                <div class="field"><label for="e-word-{{ $loop->index }}">{{ $words }}</label>
                    <input type="hidden" name="e[meanings][{{ $loop->index }}][words]" value="{{ $words }}">
                    <select class="form-select" id="e-word-{{ $loop->index }}" name="e[meanings][{{ $loop->index }}][as]">
                        @foreach (\Escapement\Core\Schedule\Logbook\EventMeaning::cases() as $case)
                            <option value="{{ $case->value }}" @selected($case === $meaning)>{{ $case->label() }}</option>
                        @endforeach
                    </select>
                </div>
            @endforeach
        </div>
    </fieldset>
@endif

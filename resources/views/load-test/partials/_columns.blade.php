@if ($fault)
    <p class="field-error"><x-glyph kind="stop" />{{ $fault }}</p>
@endif
@if ($choice)
    <fieldset class="block">
        <legend>What is in it{{ $choice->isRemembered ? ', as for the last table with these headings' : ', as guessed from its headings' }}
        </legend>
        <div class="fields">
            <div class="field"><label for="t-time">Time</label><select class="form-select" id="t-time" name="t[time]">
                    @foreach ($choice->headings as $i => $heading)
                        <option value="{{ $i }}" @selected($choice->columns->time === $i)>{{ $heading }}</option>
                    @endforeach
                </select></div>
            <div class="field"><label for="t-form">Time is</label><select class="form-select" id="t-form" name="t[form]">
                    @foreach ($choice::TIMES as $form => $words)
                        <option value="{{ $form }}" @selected($choice->columns->timeForm === $form)>{{ $words }}</option>
                    @endforeach
                </select></div>
            @foreach ($choice->legs() as $key => [$label, $at])
                @foreach (range(0, $phases - 1) as $leg)
                    <div class="field"><label
                            for="t-{{ $key }}-{{ $leg }}">{{ $label }}{{ $leg + 1 }}</label><select
                            class="form-select" id="t-{{ $key }}-{{ $leg }}"
                            name="t[{{ $key }}][{{ $leg }}]">
                            <option value="">not in it</option>
                            @foreach ($choice->headings as $i => $heading)
                                <option value="{{ $i }}" @selected($at[$leg] === $i)>{{ $heading }}</option>
                            @endforeach
                        </select></div>
                @endforeach
            @endforeach
            @foreach ($choice->singles() as $key => $single)
                <div class="field"><label for="t-{{ $key }}">{{ $single['label'] }}</label><select class="form-select"
                        id="t-{{ $key }}" name="t[{{ $key }}]">
                        <option value="">not in it</option>
                        @foreach ($choice->headings as $i => $heading)
                            <option value="{{ $i }}" @selected($single['at'] === $i)>{{ $heading }}</option>
                        @endforeach
                    </select></div>
            @endforeach
        </div>
    </fieldset>
@endif

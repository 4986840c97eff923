    <h2>
        {{ $page->on->label() }}</h2>
    @if ($page->on === \Escapement\Core\Survey\Subject::Place)
        <x-hazard><b>Carbon monoxide kills.</b> Exhaust stays outdoors, away from every opening, and alarms are inside before the engine
            runs. The maker's instructions, the code in force and the authority give the distances.</x-hazard>
    @endif
    @if ($page->on === \Escapement\Core\Survey\Subject::Panels)
        <x-hazard><b>Covers stay on.</b> A survey reads labels and counts. Taking a dead front off is work for a licensed electrician with
            the panel isolated, locked and proved dead.</x-hazard>
    @endif
    @if ($page->on === \Escapement\Core\Survey\Subject::Rules)
        <x-hazard><b>Read labels, covers on.</b> What is not marked or cannot be seen stays "not known": the authority having jurisdiction,
            the maker's instructions and the adopted code decide.</x-hazard>
        <p class="lead-in">What all of it amounts to: <a href="{{ route('class', $switch) }}">What this class asks</a>.</p>
    @endif
    <div class="fields" x-data="moot" x-on:change="turn">
        @foreach ($page->questions() as $question)
            @if ($question->isFigure())
                <x-field :name="'answers[' . $question->key . ']'" :errorKey="'answers.' . $question->key" :label="$question->label"
                    :unit="$page->unit($question)" inputmode="decimal" :value="$page->answer($question)"
                    :hint="$page->range($question) . ($question->hint === '' ? '' : '. ' . $question->hint)" />
            @else
                <fieldset class="field" @if ($question->onlyIf !== []) data-only-if="{{ json_encode($question->onlyIf) }}" @endif
                    @if ($page->isMoot($question)) hidden @endif>
                    <legend>{{ $question->label }}</legend>
                    <div class="choice">
                        @foreach (['' => 'not known'] + $question->options as $value => $words)
                            <label><input type="radio" name="answers[{{ $question->key }}]" value="{{ $value }}"
                                    @checked($page->answer($question) === (string) $value)><span>{{ $words }}</span></label>
                        @endforeach
                    </div>
                    @error('answers.' . $question->key)
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                    @if ($question->hint !== '')
                        <p class="field-hint">{{ $question->hint }}</p>
                    @endif
                </fieldset>
            @endif
        @endforeach
    </div>

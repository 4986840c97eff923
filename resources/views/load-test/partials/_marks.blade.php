<section class="block" aria-labelledby="marks">
    <h2 id="marks">Marked as it ran</h2>
    @if ($page->test->marks->isEmpty())
        <p class="quiet">Nothing yet. The phone marks each step with a thumb; a failure of the utility is a step of its own.</p>
    @else
        <div class="scroll-x">
            <table class="ruled">
                <thead>
                    <tr>
                        <th>Hour</th>
                        <th>What</th>
                        <th>By</th>
                        <th></th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($page->test->marks as $one)
                        <tr @class(['is-struck' => $one->struck_why !== null])>
                            <th scope="row" class="fig">{{ $judged->words->hour($one->at) }}</th>
                            <td>{{ $page->mark($one) }}<small>{{ $one->note }}</small></td>
                            <td>{{ $one->user->name }}</td>
                            <td>
                                @if ($one->struck_why !== null)
                                    struck out: {{ $one->struck_why }}
                                @elseif ($mayWrite)
                                    <x-strike :action="route('load-test.mark.strike', ['test' => $page->test, 'mark' => $one])"
                                        :what="'the mark of ' . $judged->words->hour($one->at)" />
                                @endif
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <h3>Steps as they were</h3>
        <div class="scroll-x">
            <table class="ruled">
                <thead>
                    <tr>
                        <th>Step</th>
                        <th class="fig">From</th>
                        <th class="fig">To</th>
                        <th class="fig">Minutes</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($judged->marked() as $span)
                        <tr>
                            <th scope="row">{{ $span['title'] }}</th>
                            <td class="fig">{{ $span['from'] }}</td>
                            <td class="fig">{{ $span['to'] }}</td>
                            <td class="fig">{{ $span['minutes'] }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
    @endif
    @if ($mayWrite)
        <details @if ($errors->hasAny(['kind', 'level_pct'])) open @endif>
            <summary>Mark something at the desk</summary>
            <form method="post" action="{{ route('load-test.mark', $page->test) }}">
                @csrf
                <input type="hidden" name="id" value="{{ $page->freshId() }}">
                <div class="fields">
                    <div class="field"><label for="kind">What happened</label><select class="form-select" id="kind"
                            name="kind">
                            @foreach (\Escapement\Core\LoadTest\TestMark::cases() as $kind)
                                <option value="{{ $kind->value }}" @selected(old('kind') === $kind->value)>{{ $kind->label() }}</option>
                            @endforeach
                        </select>
                        @error('kind')
                            <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                        @enderror
                    </div>
                    <div class="field"><label for="mark-time">Hour</label><input class="form-control fig" id="mark-time" name="time"
                            value="{{ old('time', $page->now()) }}" inputmode="numeric"></div>
                    <x-field name="level_pct" label="Level of the step" unit="%" inputmode="decimal"
                        :value="old('level_pct', $page->nextLevel())" />
                </div>
                <button class="btn btn-outline-primary" type="submit">Keep the mark</button>
            </form>
        </details>
    @endif
</section>

<section class="block" aria-labelledby="sources">
    <h2 id="sources">Sources and interlock</h2>
    <form method="post" action="{{ route('circuit.draft', $page->switch) }}" class="fields-form">
        @csrf
        <div class="fields">
            <div class="field">
                <label for="f-preferred">Preferred source</label>
                <select id="f-preferred" name="preferred" class="form-select">
                    @foreach ($page->circuit->failing() as $supply)
                        <option @selected($page->circuit->preferred === $supply->id)>{{ $supply->id }}</option>
                    @endforeach
                </select>
            </div>
            <div class="field">
                <label for="f-class">System class</label>
                <select id="f-class" name="system_class" class="form-select">
                    @foreach ([
        'none' => 'none',
        'optional' => 'optional standby',
        'legally_required' => 'legally required',
        'emergency' => 'emergency',
    ] as $value => $words)
                        <option value="{{ $value }}" @selected($page->circuit->systemClass === $value)>{{ $words }}</option>
                    @endforeach
                </select>
            </div>
            <label class="check"><input type="checkbox" name="interlock" value="1" @checked($page->circuit->hasMechanicalInterlock)>
                Mechanical interlock between the two</label>
        </div>
        <button class="btn btn-outline-primary" type="submit" name="verb" value="facts">Change</button>
    </form>
    @foreach ($page->circuit->supplies as $supply)
        <form method="post" action="{{ route('circuit.draft', $page->switch) }}" class="supply-row">
            @csrf
            <input type="hidden" name="id" value="{{ $supply->id }}">
            <b>{{ $supply->id }}</b>
            <label>Phase order
                <select name="rotation" class="form-select">
                    @foreach (['' => 'not measured', 'abc' => 'L1 L2 L3', 'acb' => 'L1 L3 L2'] as $value => $words)
                        <option value="{{ $value }}" @selected((string) $supply->rotation === $value)>{{ $words }}</option>
                    @endforeach
                </select>
            </label>
            <label class="check"><input type="checkbox" name="always" value="1" @checked($supply->isAlways)> never fails:
                battery</label>
            <button class="btn btn-link" type="submit" name="verb" value="put-supply">Change</button>
            <button class="btn btn-link" type="submit" name="verb" value="remove-supply">Remove</button>
        </form>
    @endforeach
    @if (count($page->circuit->supplies) < 3)
        <form method="post" action="{{ route('circuit.draft', $page->switch) }}" class="supply-row">
            @csrf
            <label>New supply <input class="form-control" name="id" maxlength="20" value=""></label>
            <label class="check"><input type="checkbox" name="always" value="1"> never fails: battery</label>
            <button class="btn btn-link" type="submit" name="verb" value="put-supply">Add</button>
        </form>
    @endif
</section>

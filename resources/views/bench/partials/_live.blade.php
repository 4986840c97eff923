@php($mayTurn = auth()->user()->role->mayWrite())
@if ($fault)
    <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $fault }}</p>
@endif
<div class="bench-panel">
    <div class="bench-middle">
        <div class="bench-clock">
            <b class="fig" x-text="shown" role="timer">0:00.0</b>
            @if ($mayTurn)
                <div class="choice" role="group" aria-label="Clock of the bench">
                    @foreach ([0 => 'Pause', 1 => '1×', 10 => '10×', 60 => '60×'] as $rate => $words)
                        @include('bench.partials._press', [
                            'fields' => ['rate' => $rate],
                            'words' => $words,
                            'isSo' => $panel->rate === $rate,
                        ])
                    @endforeach
                </div>
            @endif
        </div>
        {!! $panel->picture() !!}
        @if ($panel->timers() !== [])
            <p class="bench-timers" role="status">{{ implode('; ', $panel->timers()) }}</p>
        @endif
        {!! $panel->strip() !!}
    </div>
    <div class="bench-right">
        <h2>Lamps</h2>
        <ul class="bench-lamps">
            @foreach ($panel->lamps() as $lamp)
                <li @class(['is-lit' => $lamp['isLit']])><span aria-hidden="true"></span>{{ $lamp['name'] }}
                    <small>{{ $lamp['isLit'] ? 'lit' : 'off' }}</small>
                </li>
            @endforeach
        </ul>
        @if ($panel->alarms() !== [])
            <p class="finding-claim"><x-glyph kind="warn" /> {{ ucfirst(implode(', ', $panel->alarms())) }}</p>
        @endif
        <h2>Meter on the load bus</h2>
        <table class="ruled">
            <thead>
                <tr>
                    <th scope="col"><span class="visually-hidden">Leg</span></th>
                    <th scope="col" class="amount">V</th>
                    <th scope="col" class="amount">A</th>
                    <th scope="col" class="amount">kW</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($panel->meter() as $leg)
                    <tr>
                        <th scope="row">{{ $leg['leg'] }}</th>
                        <td class="fig amount">{{ $leg['v'] }}</td>
                        <td class="fig amount">{{ $leg['a'] }}</td>
                        <td class="fig amount">{{ $leg['kw'] }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
        <dl class="pairs bench-figures">
            @foreach ($panel->figures() as [$name, $figure])
                <div>
                    <dt>{{ $name }}</dt>
                    <dd class="fig">{{ $figure }}</dd>
                </div>
            @endforeach
        </dl>
    </div>
    @if ($mayTurn)
        <div class="bench-left">
            <h2>Hands</h2>
            @foreach ($panel->levers() as $lever)
                <div class="bench-lever" role="group" aria-label="{{ $lever['name'] }}">
                    <span>{{ $lever['name'] }}</span>
                    <div class="choice">
                        @foreach ($lever['states'] as $state)
                            @include('bench.partials._press', [
                                'fields' => ['coil' => $lever['coil'], 'on' => $state['on'] ? 1 : 0],
                                'words' => $state['words'],
                                'isSo' => $state['isSo'],
                            ])
                        @endforeach
                    </div>
                </div>
            @endforeach
            <div class="choice bench-presses" role="group" aria-label="Presses">
                @foreach ($panel->presses() as $press)
                    @include('bench.partials._press', [
                        'fields' => ['coil' => $press['coil'], 'on' => $press['on'] ? 1 : 0],
                        'words' => $press['name'],
                        'isSo' => $press['isSo'],
                    ])
                @endforeach
            </div>
        </div>
        <div class="bench-more">
            @foreach ($panel->knobs() as $source => $volts)
                <form method="post" action="{{ route('bench.hand', $switch) }}" hx-post="{{ route('bench.hand', $switch) }}"
                    hx-target="#bench-live" hx-swap="outerMorph" class="bench-knobs">@csrf<input type="hidden" name="do"
                        value="{{ $source }}">
                    <fieldset>
                        <legend>{{ $source === 'utility' ? $panel->letters()[0] : $panel->letters()[1] }}, volts and hertz</legend>
                        @foreach ($volts as $leg => $v)
                            <label>L{{ $leg + 1 }} <input class="form-control" name="v[]" inputmode="decimal"
                                    id="knob-{{ $source }}-{{ $leg }}" value="{{ round($v, 1) }}"></label>
                        @endforeach
                        <label>Hz <input class="form-control" name="hz" inputmode="decimal" id="knob-{{ $source }}-hz"
                                value="{{ round($panel->hertzOf($source), 2) }}"></label>
                        @if (count($volts) === 3)
                            <label>Order <select class="form-select" name="rotation" id="knob-{{ $source }}-order">
                                    <option value="abc">L1 L2 L3</option>
                                    <option value="acb">L1 L3 L2</option>
                                </select></label>
                        @endif
                        <button class="btn btn-outline-primary" type="submit">Turn</button>
                    </fieldset>
                </form>
            @endforeach
            @if ($panel->loads() !== [])
                <div>
                    <h3>Loads</h3>
                    <div class="choice" role="group" aria-label="Loads">
                        @foreach ($panel->loads() as $id => $kw)
                            @include('bench.partials._press', [
                                'fields' => [
                                    'do' => 'load',
                                    'load' => $id,
                                    'kw' => $kw > 0 ? 0 : $panel->switch->loads->firstWhere('name', $id)->kw ?? 1,
                                ],
                                'words' => $id . ($kw > 0 ? ' ' . round($kw, 1) . ' kW' : ' off'),
                                'isSo' => $kw > 0,
                            ])
                        @endforeach
                    </div>
                </div>
            @endif
            @if ($panel->bank() !== [])
                <div>
                    <h3>Load bank</h3>
                    <div class="choice" role="group" aria-label="Load bank">
                        @foreach ($panel->bank() as $element)
                            @include('bench.partials._press', [
                                'fields' => ['coil' => $element['coil'], 'on' => $element['isOn'] ? 0 : 1],
                                'words' => round($element['kw'], 1) . ' kW',
                                'isSo' => $element['isOn'],
                            ])
                        @endforeach
                    </div>
                </div>
            @endif
            <div>
                <h3>Current transformers</h3>
                <div class="choice" role="group" aria-label="Current transformers">
                    @foreach ($panel->transformers() as $one)
                        @include('bench.partials._press', [
                            'fields' => ['coil' => $one['coil'], 'on' => $one['isReversed'] ? 0 : 1],
                            'words' => 'L' . $one['leg'] . ($one['isReversed'] ? ' reversed' : ' right'),
                            'isSo' => $one['isReversed'],
                        ])
                    @endforeach
                </div>
            </div>
            @if ($panel->hasHandle())
                <div>
                    <h3>Handle</h3>
                    <div class="choice" role="group" aria-label="Handle">
                        @foreach (['normal' => $panel->letters()[0], 'emergency' => $panel->letters()[1]] as $to => $words)
                            @include('bench.partials._press', [
                                'fields' => ['do' => 'handle', 'to' => $to],
                                'words' => 'To ' . lcfirst($words),
                                'isSo' => false,
                            ])
                        @endforeach
                    </div>
                </div>
            @endif
        </div>
    @endif
</div>

<div id="shedding">
    @if (!$page->switch->site->installation->hasGenerator())
        <p class="quiet">Two supplies have no generator to shed for. Which ways are left off is said of each
            <a href="{{ route('ways', $page->switch) }}">outgoing way</a>.
        </p>
    @elseif ($page->restart === null)
        <p class="quiet">Not known yet: the survey lacks
            {{ $page->switch->loads->isEmpty() ? 'the loads' : 'the fuel or the generator\'s rating on it' }}. <a
                href="{{ route('survey', ['site' => $page->switch->site_id, 'on' => 'source', 'switch' => $page->switch->id]) }}">To the
                survey</a></p>
    @else
        <div class="scroll-x" tabindex="0" role="region" aria-label="Restart, drawing">{!! $page->chart()->svg() !!}</div>
        @php($mayWrite = auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('shedding.save', $page->switch) }}" class="block" x-data="ranks"
            hx-put="{{ route('shedding.save', $page->switch) }}" hx-target="#shedding" hx-swap="outerHTML"
            hx-trigger="submit, ranks-changed">
            @csrf @method('put')
            <h2>Order of the loads</h2>
            <p class="field-hint">Drag a line by its grip, or use its arrows; the plan is worked out again at once. What must run stays on
                top.</p>
            <ol class="ranks" x-ref="list">
                @foreach ($page->inOrder() as $i => $load)
                    <li class="rank" data-rank data-fixed="{{ $load->must_run ? '1' : '0' }}">
                        @if ($mayWrite && !$load->must_run)
                            <span class="grip" data-grip aria-hidden="true"><svg width="16" height="24" viewBox="0 0 16 24">
                                    <path d="M4 4v16M8 4v16M12 4v16" stroke="currentColor" stroke-width="2" />
                            </svg></span>@else<span></span>
                        @endif
                        <input type="hidden" name="loads[{{ $i }}][id]" value="{{ $load->id }}">
                        <span><b>{{ $load->name }}</b><small><span
                                    class="fig">{{ (float) $load->kw }}</span>&#8239;kW{{ $page->startWords($load) }}</small></span>
                        <span>{{ $page->fate($load) }}</span>
                        @if ($load->must_run)
                            <span class="quiet">must run</span><input type="hidden" data-priority
                                name="loads[{{ $i }}][priority]" value="{{ $load->priority }}">
                        @else
                            <label class="check"><input class="form-check-input" type="checkbox" name="loads[{{ $i }}][shed]"
                                    value="1" x-on:change="changed" @checked($load->shed) @disabled(!$mayWrite)>may be
                                shed</label>
                            <span class="rank-moves"><label class="visually-hidden" for="priority-{{ $load->id }}">Priority of
                                    {{ $load->name }}</label><input class="form-control fig" id="priority-{{ $load->id }}"
                                    data-priority name="loads[{{ $i }}][priority]" value="{{ $load->priority }}"
                                    inputmode="numeric" @readonly(!$mayWrite)>
                                @if ($mayWrite)
                                    <button type="button" class="btn btn-outline-primary" x-on:click="up"
                                        aria-label="{{ $load->name }} earlier">↑</button><button type="button"
                                        class="btn btn-outline-primary" x-on:click="down" aria-label="{{ $load->name }} later">↓</button>
                                @endif
                            </span>
                        @endif
                    </li>
                @endforeach
            </ol>
            @if ($mayWrite)
                <button class="btn btn-outline-primary" type="submit">Save the order</button>
            @endif
        </form>
        @if ($page->carried !== null && $page->carried->shed !== [])
            <p>All at once is more than the source carries: left off are <b>{{ implode(', ', $page->carried->shed) }}</b>, and
                {{ round($page->carried->shedPlan->values['carried_kw'], 1) }}&#8239;kW run, with
                {{ round($page->carried->shedPlan->values['headroom_kw'], 1) }}&#8239;kW to spare.</p>
        @endif
        @foreach ($page->findings() as $finding)
            <x-finding :finding="$finding" />
        @endforeach
        <details class="why">
            <summary>Working</summary>
            @foreach ([...$page->source->answer->working, ...$page->restart->working, ...$page->carried->shedPlan->working ?? []] as $line)
                <p><b>{{ $line->label }}</b>: <span class="fig">{{ $line->expression }} =
                        {{ is_numeric($line->value) ? round((float) $line->value, 2) : $line->value }} {{ $line->unit }}</span></p>
            @endforeach
        </details>
        <section class="block" aria-labelledby="to-sheet">
            <h2 id="to-sheet">In the settings sheet</h2>
            @php($p = $page->proposed())
            <p>Limit <span class="fig">{{ $p['limit_kw'] }}&#8239;kW</span>, first step after <span
                    class="fig">{{ $p['first_step_ms'] / 1000 }}&#8239;s</span>, then every <span
                    class="fig">{{ $p['step_ms'] / 1000 }}&#8239;s</span>; shed again after <span
                    class="fig">{{ $p['overload_ms'] / 1000 }}&#8239;s</span> over the limit; compressors wait <span
                    class="fig">{{ $p['lockout_ms'] / 1000 }}&#8239;s</span>.</p>
            @if ($page->switch->sheet === null)
                <p class="quiet">There is no sheet yet. <a href="{{ route('sheet', $page->switch) }}">Begin one</a></p>
            @elseif ($page->isInSheet())
                <p class="missing"><x-glyph kind="proven" />Version {{ $page->switch->sheet->version }} has it so.</p>
            @elseif ($mayWrite)
                <form method="post" action="{{ route('shedding.put', $page->switch) }}">@csrf<input type="hidden" name="seen"
                        value="{{ $page->switch->sheet->version }}"><button class="btn btn-primary" type="submit">Put into the
                        sheet</button></form>
            @endif
        </section>
    @endif
</div>

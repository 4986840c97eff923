<section class="block" aria-labelledby="ways">
    <h2 id="ways">Ways <small>{{ count($page->ways) }} of 60</small></h2>
    @if ($page->schedule)
        <div class="scroll-x" tabindex="0" role="region" aria-label="Schedule of ways, scrollable">
            <table class="ruled">
                <thead>
                    <tr>
                        <th>Way</th>
                        <th class="fig">Breaker</th>
                        <th class="fig">Cable</th>
                        <th class="fig">Drop</th>
                        <th>Trips on utility</th>
                        <th>Trips on generator</th>
                        <th>Findings</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($page->schedule->ways as $way)
                        <tr>
                            <th scope="row">{{ $way->id }}</th>
                            <td class="fig">{{ $page::figure($way->breakerA) }} A</td>
                            <td class="fig">{{ $way->size ?? 'none' }}</td>
                            <td class="fig">{{ $page::figure($way->dropPct, 1) }} %</td>
                            @foreach ([$way->utility, $way->generator] as $fault)
                                <td @class([
                                    'is-stop' => $fault && $page::trip($fault->method) === 'none',
                                ])>
                                    {{ $fault === null ? 'not known' : $page::trip($fault->method) }}
                                    @if ($fault?->tripS !== null)
                                        <span
                                            class="fig">{{ number_format($fault->tripS, $fault->tripS < 0.1 ? 2 : 1) }}
                                            s</span>
                                    @endif
                                </td>
                            @endforeach
                            <td>{{ implode(', ', array_map(fn($flag) => str_replace('-', ' ', $flag), $way->flags)) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <p class="working">Fault current {{ $page::figure($page->schedule->fault['utility_ka'], 2) }} kA from the
            utility{{ $page->generatorFault() }};
            demand {{ $page::figure($page->schedule->demandA) }} A with a factor of {{ $page->schedule->factor }}. To be
            confirmed with
            the
            makers' curves and the adopted code.</p>
    @endif
    @if (auth()->user()->role->mayWrite())
        @php($rows = $page->rows())
        <form method="post" action="{{ route('ways.save', $page->switch) }}" enctype="multipart/form-data">
            @csrf @method('put')
            <x-seen :kept="array_map(fn($way) => \App\Stage\Panel\WayLines::shown($way, $page->units), $page->ways)" />
            @error('ways')
                <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $message }}</p>
            @enderror
            <details @if ($errors->any() || $page->ways === []) open @endif>
                <summary>
                    <h3>Change the ways</h3>
                </summary>
                <div class="scroll-x" tabindex="0" role="region" aria-label="Table of ways, scrollable">
                    <table class="ways-table">
                        <thead>
                            <tr>
                                <th>Name</th>
                                <th>Phase</th>
                                <th>Load, A</th>
                                <th>cos phi</th>
                                <th>Breaker, A</th>
                                <th>Breaks, kA</th>
                                <th>Length, {{ $page->units->length() }}</th>
                                <th>Metal</th>
                                <th>{{ $page->facts->isIec() ? 'Size, mm²' : 'Size' }}</th>
                                <th>RCD, mA</th>
                                <th>Final</th>
                                <th>Shed</th>
                                <th>Stays</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($rows as $i => $row)
                                <tr>
                                    @foreach (\App\Stage\Panel\WayLines::COLUMNS as $column)
                                        <td>@include('panel.partials._cell')</td>
                                    @endforeach
                                </tr>
                                @foreach (\App\Stage\Panel\WayLines::COLUMNS as $column)
                                    @error("ways.$i.$column")
                                        <tr>
                                            <td colspan="13">
                                                <p class="field-error" id="ways-{{ $i }}-{{ $column }}"><x-glyph
                                                        kind="stop" />{{ $row['name'] }}:
                                                    {{ $message }}</p>
                                            </td>
                                        </tr>
                                    @enderror
                                @endforeach
                            @endforeach
                        </tbody>
                    </table>
                </div>
                <button class="btn btn-primary" type="submit">Save ways</button>
            </details>
        </form>
        <form method="post" action="{{ route('ways.save', $page->switch) }}" enctype="multipart/form-data" class="keep-template">
            @csrf @method('put')
            <x-field name="file" label="All ways from a CSV file" type="file" accept=".csv,text/csv" />
            <button class="btn btn-outline-primary" type="submit">Import ways</button>
        </form>
    @endif
</section>

<section class="block" aria-labelledby="neutral">
    <h2 id="neutral">Neutral and earth</h2>
    @if (!$page->neutral)
        <p class="quiet">Not judged yet. Not known: {{ implode(', ', array_map(lcfirst(...), $page->facts->missingOfNeutral())) }}.</p>
    @else
        <div class="scroll-x" tabindex="0" role="region" aria-label="Positions of the changeover, scrollable">
            <table class="ruled">
                <thead>
                    <tr>
                        <th>Changeover at</th>
                        <th>Earths on its neutral</th>
                        <th class="fig">Beside the neutral</th>
                        <th class="fig">Earth fault</th>
                        <th class="fig">Seen by a residual device</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($page->neutral->positions as $one)
                        <tr>
                            <th scope="row">{{ $one->position }}</th>
                            <td @class(['is-stop' => $one->verdict !== 'ok'])>{{ $one->earthPoints }}:
                                {{ ['none' => 'no way back', 'ok' => 'right', 'several' => 'too many'][$one->verdict] }}</td>
                            <td class="fig">{{ $page::figure($one->strayA, 1) }} A</td>
                            <td class="fig">{{ $page::figure($one->faultA) }} A</td>
                            <td class="fig">{{ $one->sensedFraction === null ? 'not known' : round(100 * $one->sensedFraction) . ' %' }}
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        @if ($page->neutral->actions !== [])
            <p><b>The least change:</b></p>
            <ol>
                @foreach ($page->neutral->actions as $action)
                    <li>{{ $page->action($action['action'], $action['at']) }}</li>
                @endforeach
            </ol>
        @endif
        <p class="working">With usual resistances of conductors and earths until they are measured. The adopted code and the network
            operator decide the earthing system.</p>
    @endif
</section>

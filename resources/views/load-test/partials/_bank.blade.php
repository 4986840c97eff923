@php($cable = $page->cable())
@if ($cable || $page->ownLoads() !== [])
    <section class="block" aria-labelledby="bank">
        <h2 id="bank">{{ $cable ? 'The load bank' : 'Without a bank: loads of the site' }}</h2>
        @if ($cable)
            <dl class="pairs">
                @if ($page->bank())
                    <div>
                        <dt>Bank</dt>
                        <dd>{{ $page->bank() }}</dd>
                    </div>
                @endif
                <div>
                    <dt>Largest step</dt>
                    <dd><span class="fig">{{ round($cable->amps, 1) }}&#8239;A</span> a phase, held for long: cables for <span
                            class="fig">{{ round($cable->leastA, 1) }}&#8239;A</span></dd>
                </div>
                <div>
                    <dt>Conductor by the table</dt>
                    <dd>{{ $page->conductor($cable) }}</dd>
                </div>
            </dl>
            <p class="working">A flexible cable set goes by its maker's rating{{ $page->cableSet() }}. Confirm both in the
                adopted edition.</p>
            <h3>To connect it</h3>
            <ol class="steps-short">
                <li>Stop the set; selector off; disconnect its start battery, negative first.</li>
                <li>Open, lock and tag both sources: the utility upstream of the switch, and the generator's own breaker.</li>
                <li>Prove every terminal that is touched dead, phase to phase, to neutral and to ground, with a tester proved before and
                    after.</li>
                <li>Connect ground first, then neutral, then phases; tighten to the bank's own torque; air inlet and outlet free.</li>
                <li>Fans on and turning the right way before any element. First element last off.</li>
                <li>Take it off in the same way: set stopped, both sources locked out and proved dead again.</li>
            </ol>
            <p class="working">By a licensed electrician, by the makers' instructions. Never on live terminals.</p>
        @else
            <p class="lead-in">Chosen from what the switch carries. Read the meter first: what runs already counts on top. Motors come on
                first, one at a time.</p>
            <div class="scroll-x">
                <table class="ruled">
                    <thead>
                        <tr>
                            <th>Step</th>
                            <th>Switch off</th>
                            <th>Switch on, in this order</th>
                            <th class="fig">Comes to</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($page->ownLoads() as $step)
                            <tr>
                                <th scope="row">{{ $step->levelPct }}&#8239;%<small>{{ round($step->targetKw, 2) }}&#8239;kW</small></th>
                                <td>{{ $step->off === [] ? '–' : implode(', ', $step->off) }}</td>
                                <td>{{ $step->on === [] ? 'nothing more' : implode(', ', $step->on) }}</td>
                                <td class="fig">{{ round($step->kw, 2) }}&#8239;kW
                                    @if ($step->shortKw > 0)
                                        <small><x-glyph kind="warn" />{{ round($step->shortKw, 2) }}&#8239;kW cannot be reached</small>
                                    @endif
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
        @endif
    </section>
@endif

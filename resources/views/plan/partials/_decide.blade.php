<section class="block" aria-labelledby="decide"><h2 id="decide">Decide what is carried</h2>
@if ($page->sizing === null)
    <p class="quiet">Not known yet: {{ $page->rating === null ? 'the survey lacks the fuel or the generator\'s rating on it.' : 'the survey has no loads.' }} <a href="{{ route('survey', ['site' => $page->switch->site_id, 'switch' => $page->switch->id]) }}">To the survey</a></p>
@else
    <p>The source gives <b class="fig">{{ round($page->rating->values['usable_kw'], 1) }}&#8239;kW</b> here, limited by the {{ $page->rating->values['limited_by'] }}; <span class="fig">{{ round($page->rating->values['leg_a']) }}&#8239;A</span> a leg.</p>
    <details class="why"><summary>Working</summary>@foreach ([...$page->rating->working, ...$page->sizing->working] as $line)<p><b>{{ $line->label }}</b>: <span class="fig">{{ $line->expression }} = {{ is_numeric($line->value) ? round((float) $line->value, 2) : $line->value }} {{ $line->unit }}</span></p>@endforeach</details>
    <div class="scroll-x"><table class="ruled"><thead><tr><th>Carry</th><th class="num-col">Load</th><th class="num-col">Each leg</th><th class="num-col">Off balance</th><th class="num-col">Left</th><th>Fits</th></tr></thead><tbody>
    @foreach ($page->options() as $row)
        <tr @class(['is-picked' => $row['key'] === $page->sizing->values['chosen']])><td><b>{{ $row['title'] }}</b>@if ($row['key'] === $page->sizing->values['recommendation'])<small>recommended</small>@endif @if ($row['key'] === $page->kept?->choice)<small>chosen by {{ $page->kept->user->name }}</small>@endif</td>
        <td class="num-col fig">{{ round($row['option']['kw'], 1) }}&#8239;kW</td><td class="num-col fig">@foreach ($row['option']['leg_a'] as $a){{ $loop->first ? '' : ' / ' }}{{ round($a) }}@endforeach&#8239;A</td><td class="num-col fig">{{ round($row['option']['imbalance_pct']) }}&#8239;%</td><td class="num-col fig">{{ round($row['option']['headroom_pct']) }}&#8239;%</td>
        <td>{{ ! $row['option']['available'] ? 'not surveyed for it' : ($row['option']['fits'] ? 'yes' : 'no') }}</td></tr>
    @endforeach
    </tbody></table></div>
    @foreach ([...$page->rating->findings, ...$page->sizing->findings] as $finding)<x-finding :finding="$finding"/>@endforeach
@endif
</section>

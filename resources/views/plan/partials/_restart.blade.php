@if ($page->restart !== null)
<section class="block" aria-labelledby="restart"><h2 id="restart">What comes back, and when</h2>
    @php($usable = $page->rating->values['usable_kw'])
    @if ($page->restart->values['timeline'] === [])<p class="quiet">Nothing is shed, so nothing has to come back. <a href="{{ route('survey', ['site' => $page->switch->site_id, 'switch' => $page->switch->id]) }}#loads">Mark loads that may be shed</a> in the survey.</p>
    @else
    <ol class="steps" aria-label="Restart order">
    @foreach ($page->restart->values['timeline'] as $step)
        <li><span class="fig">{{ round($step['t_s']) }}&#8239;s</span><b>{{ $step['id'] }}</b><svg class="step-bar" viewBox="0 0 200 14" preserveAspectRatio="none" aria-hidden="true"><rect class="room" width="200" height="14"/><rect class="used" width="{{ round(200 * min(1, $step['running_kw'] / $usable), 1) }}" height="14"/></svg><span class="fig">{{ round($step['running_kw'], 1) }} of {{ round($usable, 1) }}&#8239;kW</span><span class="fig">dip {{ round($step['dip_pct']) }}&#8239;%</span></li>
    @endforeach
    </ol>
    @endif
    @if ($page->shed !== null && $page->shed->values['shed'] !== [])<p>Together at once the source does not carry all of it: leave off <b>{{ implode(', ', $page->shed->values['shed']) }}</b>, and {{ round($page->shed->values['carried_kw'], 1) }}&#8239;kW run.</p>@endif
    @foreach ($page->restart->findings as $finding)<x-finding :finding="$finding"/>@endforeach
</section>
@endif

{{-- which device an outage is simulated with: one answer, from the core --}}
@if ($test->name === null)
    <p class="missing"><x-glyph kind="warn" /><span>{{ $test->because }}</span></p>
@else
    <p class="missing"><span>{{ $test->device === 'plug' ? 'Pull' : 'Open' }} <b>{{ $test->name }}</b>. {{ $test->because }}</span></p>
@endif

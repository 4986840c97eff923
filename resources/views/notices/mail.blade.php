@foreach ($notices as $one)
    {!! $one->claim !!}
    {!! $one->detail !!}
    @if ($one->switch_id)
        {{ route('logbook', $one->switch_id) }}
    @endif
@endforeach
How you are told is yours to choose: {{ route('account') }}

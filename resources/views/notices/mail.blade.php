@foreach ($notices as $one)
    {!! $one->claim !!}
    {!! $one->detail !!}
    @if ($one->switch_id)
        {{ route('logbook', $one->switch_id) }}
    @endif
@endforeach
Choose how you get notices: {{ route('account') }}

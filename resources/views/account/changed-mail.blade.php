{{ $what }}

When: {{ $at }}, from {{ $address ?? 'an address that is not known' }}.
Where: {{ config('app.url') }}

If this was not you, ask a lead of your company at once for a link to another password: it ends every session that is open.

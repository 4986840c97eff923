<section class="block" aria-labelledby="heard">
    <h2 id="heard">Devices that report by themselves</h2>
    <p class="lead-in">They connect out, so nothing at the site has to be open: lines of JSON over TLS, with a token of their own. What was
        said
        longer than three of its intervals ago is never shown as what is.</p>
    @if (session('feed-token'))
        <p class="shown-once" role="status">The token of the device, shown once: <b class="fig">{{ session('feed-token') }}</b></p>
        <p><code>curl -H "Authorization: Bearer TOKEN" --data-binary @lines.jsonl {{ route('fleet-feed.report') }}</code></p>
    @endif
    @foreach ($page->heard() as $device)
        <div class="device-map">
            <p><b>{{ $device->feed->switch->site->name }}</b>, {{ $device->feed->switch->name }}</p>
            @include('partials.heard', ['heard' => [$device], 'withGaps' => false])
            @if (auth()->user()->role->mayWriteForAll())
                <form method="post" action="{{ route('fleet-feed.end', $device->feed) }}">
                    @csrf @method('delete')
                    <button class="btn btn-outline-primary" type="submit">End it</button>
                </form>
            @endif
        </div>
    @endforeach
    @if (auth()->user()->role->mayWriteForAll())
        <form method="post" action="{{ route('fleet-feed.add') }}">
            @csrf
            <div class="fields">
                <x-select name="feed_switch" label="Switch" :options="$page->switches('choose')" :value="old('feed_switch')" />
                <x-field name="feed_name" label="Name of the device" :value="old('feed_name', '')" />
                <x-field name="interval_s" label="It reports every" unit="s" inputmode="numeric" :value="old('interval_s', '60')" />
            </div>
            <button class="btn btn-outline-primary" type="submit">Make a token</button>
        </form>
    @endif
</section>

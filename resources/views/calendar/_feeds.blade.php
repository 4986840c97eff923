<section class="block" aria-labelledby="feeds">
    <h2 id="feeds">In your own calendar</h2>
    <p class="lead-in">An address that a calendar program reads by itself: exercises of a site or of all, and the visits that are planned.
        Everybody who knows it can read it, until you end it.</p>
    @if (session('feed'))
        <p class="shown-once" role="status">Copy it now, it is shown once: <b>{{ session('feed') }}</b></p>
    @endif
    @foreach ($feeds as $one)
        <div class="link-line">
            <span>{{ $one['words'] }}</span>
            @if (auth()->user()->role->mayWrite())
                <form method="post" action="{{ route('feed.revoke', $one['feed']) }}">@csrf @method('delete')<button
                        class="btn btn-outline-primary"
                        type="submit">End it</button></form>
            @endif
        </div>
    @endforeach
    @if (auth()->user()->role->mayWrite())
        <form method="post" action="{{ route('feeds') }}" class="fields">
            @csrf
            <div class="field"><label for="feed">Calendar of</label><select class="form-select" id="feed" name="feed">
                    <option value="me">my visits</option>
                    <option value="company">the whole company</option>
                    @foreach ($sites as $id => $site)
                        <option value="site:{{ $id }}">{{ $site }}</option>
                    @endforeach
                </select>
                @error('feed')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </div>
            <div><button class="btn btn-outline-primary" type="submit">Make an address</button></div>
        </form>
    @endif
</section>

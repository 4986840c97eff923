<p class="missing"><x-glyph kind="warn" /><span>{{ $why }} The bench is served by <b>php artisan bench:serve</b>, which
        <b>bin/start</b> starts. Everything else goes on by hand.</span></p>

<details class="block" @if ($errors->hasAny(['events', 'zone', 'says', 'is'])) open @endif>
    <summary>Import the event log of a controller</summary>
    <form method="post" action="{{ route('events.import', $page->switch) }}" enctype="multipart/form-data" x-data="recordingForm"
        data-look="{{ route('events.look', $page->switch) }}">
        @csrf
        <p class="lead-in">A table (.csv) with a time and the words of each event. Outages, exercises and alarms are written down; the same
            log again adds nothing, and an outage that somebody wrote down stays theirs.</p>
        <div class="fields">
            <div class="field field-wide"><label for="events">Event log (.csv)</label>
                <input id="events" @class(['form-control', 'is-invalid' => $errors->has('events')]) type="file" name="events"
                    accept=".csv,.txt,.tsv" x-on:change="look">
                @error('events')
                    <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                @enderror
            </div>
            <x-field name="zone" label="Time zone of the controller" :value="old('zone', $page->switch->site->timezone)" />
            <x-field name="says" label="Its clock said" :value="old('says', '')" inputmode="numeric" hint="At one moment, as 09:15:00" />
            <x-field name="is" label="when it was" :value="old('is', '')" inputmode="numeric" hint="By the phone" />
        </div>
        <div data-columns aria-live="polite"></div>
        <button class="btn btn-outline-primary" type="submit">Read it</button>
    </form>
</details>

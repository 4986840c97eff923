@extends('layouts.app')
@section('title', 'People')
@section('content')
    <main id="main" class="narrow">
        @if (session('said'))
            <p class="said" role="status">{{ session('said') }}</p>
        @endif
        @if (session('link'))
            <p class="one-time"><code>{{ session('link') }}</code></p>
        @endif
        <h1>People of {{ auth()->user()->company->name }}</h1>
        <p class="lead-in">A lead adds people, a technician writes and signs, an apprentice writes, a viewer reads; a guest
            is a technician from elsewhere, for named sites and until a day. A person who leaves keeps the name in every record. <a
                href="{{ route('webhooks') }}">Webhooks</a></p>
        <ul class="people">
            @foreach ($people as $person)
                <li>
                    <form method="post" action="{{ route('people.change', $person->id) }}">
                        @csrf @method('put')
                        <span><b>{{ $person->name }}</b><small>{{ $person->email }}{{ $person->left_at ? ', gone' : '' }}</small></span>
                        @if ($person->is(auth()->user()))
                            <span>{{ $person->role->value }}, you</span>
                        @else
                            <select class="form-select" name="role" aria-label="Role of {{ $person->name }}">
                                @foreach ($roles as $role)
                                    <option value="{{ $role->value }}" @selected($role === $person->role)>{{ $role->value }}</option>
                                @endforeach
                            </select>
                            <label class="check"><input class="form-check-input" type="checkbox" name="is_here" value="1"
                                    @checked($person->left_at === null)>may sign in</label>
                            <button class="btn btn-outline-primary" type="submit">Save<span class="visually-hidden">
                                    {{ $person->name }}</span></button>
                        @endif
                    </form>
                    @if (!$person->is(auth()->user()) && $person->left_at === null)
                        <form method="post" action="{{ route('people.link', $person->id) }}">
                            @csrf
                            <button class="btn btn-link" type="submit">Link for another password</button>
                        </form>
                        @if ($person->totp_secret !== null)
                            <form method="post" action="{{ route('people.second-factor', $person->id) }}">
                                @csrf @method('delete')
                                <button class="btn btn-link" type="submit">Take the second factor off: phone and codes are lost</button>
                            </form>
                        @endif
                    @endif
                    @if ($person->role === \App\Models\Role::Guest && $person->left_at === null)
                        @php($key = "guest.$person->id")
                        @php($until = $person->guest_until)
                        <details @if ($until === null || $errors->has("$key.*")) open @endif>
                            <summary>{{ $until === null ? 'No site is named yet' : 'Sites until ' . $until->format('j M Y') }}</summary>
                            <form method="post" action="{{ route('people.guest', $person->id) }}" class="guest-sites">
                                @csrf @method('put')
                                <x-field name="guest[{{ $person->id }}][until]" label="Last day" type="date"
                                    error-key="{{ $key }}.until"
                                    :value="old($key . '.until', $until?->toDateString() ?? '')" />
                                <div class="site-names">
                                    @foreach ($sites as $id => $name)
                                        <label class="check"><input class="form-check-input" type="checkbox"
                                                name="guest[{{ $person->id }}][sites][]" value="{{ $id }}"
                                                @checked(in_array($id, $named[$person->id] ?? [], true))>{{ $name }}</label>
                                    @endforeach
                                </div>
                                <button class="btn btn-outline-primary" type="submit">Save sites</button>
                            </form>
                            @error("guest.$person->id")
                                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                            @enderror
                        </details>
                    @endif
                    @error("role.$person->id")
                        <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                </li>
            @endforeach
        </ul>
        @php($company = auth()->user()->company)
        <form method="post" action="{{ route('company.save') }}" class="block" enctype="multipart/form-data">
            @csrf @method('put')
            <h2>The company</h2>
            <p class="field-hint">This stands at the head of every report and owner's page.</p>
            <div class="fields">
                <x-field name="company_name" label="Name of the company" :value="old('company_name', $company->name)" />
                <x-field name="telephone" label="Telephone for owners" inputmode="tel" :value="old('telephone', $company->telephone)"
                    hint="Whom they call when it does not work" />
                <x-field name="company_address" label="Address of the company" :value="old('company_address', $company->address)" />
                <x-field name="licence" label="Licence" :value="old('licence', $company->licence)" hint="As the law asks it on paper" />
                <x-field name="company_edition" label="Code and edition we work to" :value="old('company_edition', $company->code_edition)"
                    maxlength="120" hint="Where the plan of a site does not say another; the authority has the last word" />
                <div class="field">
                    <label for="f-logo">Logo</label>
                    <input id="f-logo" class="form-control" type="file" name="logo" accept="image/jpeg,image/png,image/webp"
                        @error('logo') aria-invalid="true" aria-describedby="f-logo-error" @enderror>
                    @error('logo')
                        <p class="field-error" id="f-logo-error"><x-glyph kind="stop" />{{ $message }}</p>
                    @enderror
                    @if ($logo = $company->logo())
                        <p><img alt="The logo as it is" src="{{ $logo }}" height="56"></p>
                    @else
                        <p class="field-hint">JPEG, PNG or WebP, up to 4 MB; drawn anew on white</p>
                    @endif
                </div>
                @if ($logo)
                    <label class="check"><input class="form-check-input" type="checkbox" name="without_logo" value="1">without a
                        logo</label>
                @endif
            </div>
            <button class="btn btn-outline-primary" type="submit">Save the company</button>
        </form>
        <form method="post" action="{{ route('people.add') }}" class="block">
            @csrf
            <h2>Add somebody</h2>
            <div class="fields">
                <x-field name="name" label="Name" :value="old('name', '')" />
                <x-field name="email" label="Address" type="email" :value="old('email', '')" />
                <div class="field"><label for="f-role">Role</label><select id="f-role" class="form-select" name="role">
                        @foreach ($roles as $role)
                            <option value="{{ $role->value }}"
                                @selected(old('role', 'technician') === $role->value)>{{ $role->value }}</option>
                        @endforeach
                    </select></div>
                <x-field name="password" label="First password" type="password" autocomplete="new-password"
                    hint="Empty: they get a link and choose their own" />
            </div>
            <button class="btn btn-primary" type="submit">Add</button>
        </form>
        <section class="block" aria-labelledby="key">
            <h2 id="key">Key of the records</h2>
            <p>Records are sealed with a key that does not lie in the database. With this public half anybody can check an export:
                <code>bin/escapement verify-record --key KEY FILE</code>. Give it out on paper, or where nobody can change it.
            </p>
            <p class="one-time"><code>{{ $key }}</code></p>
        </section>
    </main>
@endsection

<!doctype html>
<html lang="en" data-bs-theme="light">

<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    @auth
    <meta name="person" content="{{ auth()->id() }}">@endauth
    <meta name="htmx-config" content='{"noSwap":[204,304,"5xx"]}'>
    <title>@yield('title', 'Escapement')</title>
    <link rel="icon" href="/icon.svg">
    <link rel="manifest" href="/manifest.webmanifest">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>

<body class="@yield('body')">
    <a class="skip" href="#main">To the content</a>
    <x-defs />
    <header class="bar">
        <a class="home" aria-label="Escapement, to the board"
            href="{{ auth()->check() ? route('board') : route('login') }}"><x-logo /><span>Escapement</span></a>
        @hasSection('site')
            <div class="bar-site">@yield('site')</div>
        @else
            @auth<nav aria-label="Main"><a href="{{ route('board') }}"
                        @if (request()->routeIs('board')) aria-current="page" @endif>Board</a><a href="{{ route('library') }}"
                        @if (request()->routeIs('library', 'recording')) aria-current="page" @endif>Library</a><a
                        href="{{ route('fleet') }}"
                        @if (request()->routeIs('fleet')) aria-current="page" @endif>Fleet</a><a href="{{ route('calendar') }}"
                        @if (request()->routeIs('calendar')) aria-current="page" @endif>Calendar</a><a href="{{ route('visits') }}"
                    @if (request()->routeIs('visits', 'my-day')) aria-current="page" @endif>Visits</a></nav>@endauth
        @endif
        @auth
            <div class="bar-end">
                @if (auth()->user()->company->is_demo)
                    <span class="demo">Demo</span>
                @endif
                @yield('bar-end')
                <div class="menu" x-data="menu">
                    <button class="menu-who" type="button" x-on:click="toggle" x-bind:aria-expanded="isOpen" aria-controls="account-menu"
                        aria-label="Your account, {{ auth()->user()->name }}">{{ auth()->user()->initials('') }}</button>
                    <div class="menu-list" id="account-menu" x-show="isOpen" x-cloak x-on:click.outside="close" x-on:keydown.escape="close">
                        <p><b>{{ auth()->user()->name }}</b><br>{{ auth()->user()->company->name }}, {{ auth()->user()->role->value }}</p>
                        <a class="for-phone" href="{{ route('board') }}">Board</a><a class="for-phone"
                            href="{{ route('library') }}">Library</a><a class="for-phone" href="{{ route('fleet') }}">Fleet</a><a
                            class="for-phone" href="{{ route('calendar') }}">Calendar</a><a class="for-phone"
                            href="{{ route('visits') }}">Visits</a><a class="for-phone" href="{{ route('my-day') }}">My day</a>
                        @if (auth()->user()->role === \App\Models\Role::Lead)
                            <a href="{{ route('people') }}">People</a>
                        @endif
                        <a href="{{ route('account') }}">Password</a>
                        <a href="{{ route('notices') }}">Notices</a>
                        <a href="{{ route('change', ['back' => request()->isMethod('get') ? request()->getRequestUri() : '/']) }}">Change
                            person</a>
                        <button type="button" x-on:click="turnTheme" x-text="themeWords">Dark</button>
                        <form method="post" action="{{ route('logout') }}">@csrf<button type="submit">Sign out</button></form>
                    </div>
                    <noscript>
                        <form method="post" action="{{ route('logout') }}">@csrf<button type="submit">Sign out</button></form>
                    </noscript>
                </div>
            </div>
        @endauth
    </header>
    @yield('content')
</body>

</html>

@extends('layouts.site', ['standing' => $page->standing, 'here' => 'rehearsal'])
@section('title', $page->switch->site->name . ': by hand')
@section('main')
    <div class="head">
        <div>
            <h1>By hand</h1>
            <p>A made-up switch and set with the settings of this sheet. It is connected to nothing.
                <a href="{{ route('rehearsal', $page->switch) }}">To the rehearsal</a>
            </p>
        </div>
    </div>
    <x-hazard><b>On a real switch</b> handles and breakers are worked by a qualified person, both sources isolated, locked out and proved
        dead, as its maker says. What is done here is done to nothing.</x-hazard>
    @if ($page->lacks)
        <p class="quiet">{{ $page->lacks }}</p>
    @else
        <nav class="choice subjects" aria-label="What hands do">
            @foreach ($page->stories as $key => $story)
                <a href="{{ route('hands', ['switch' => $page->switch, 'story' => $key]) }}"
                    @if ($page->story === $key) aria-current="true" @endif>{{ $story['name'] }}</a>
            @endforeach
        </nav>
        <p>{{ $page->stories[$page->story]['teaches'] }}</p>
        <div class="wide" tabindex="0" role="region" aria-label="Lamps and meters, scrollable">
            <table class="ruled hands">
                <thead>
                    <tr>
                        <th scope="col">At</th>
                        <th scope="col">What</th>
                        @foreach ($page->rows[0]->lamps ?? [] as $word => $isLit)
                            <th scope="col" class="lamp">{{ $word }}</th>
                        @endforeach
                        <th scope="col" class="amount">Bus, V</th>
                        <th scope="col" class="amount">Bus, Hz</th>
                        <th scope="col" class="amount">Bus, kW</th>
                        @if ($page->isMisread())
                            <th scope="col" class="amount">Meter, kW</th>
                        @endif
                        @if ($page->hasEngine)
                            <th scope="col" class="amount">Set, Hz</th>
                        @endif
                    </tr>
                </thead>
                <tbody>
                    @foreach ($page->rows as $row)
                        <tr>
                            <th scope="row" class="fig">{{ $row->time }}</th>
                            <td>
                                @foreach ($row->acts as $act)
                                    <b>{{ $act }}</b>
                                @endforeach
                                {{ implode('; ', $row->events) }}
                                @if ($row->alarms !== '')
                                    <small>Alarm: {{ $row->alarms }}</small>
                                @endif
                            </td>
                            @foreach ($row->lamps as $word => $isLit)
                                <td class="lamp"><span @class(['is-lit' => $isLit])><span
                                            class="visually-hidden">{{ $isLit ? 'lit' : 'dark' }}</span></span></td>
                            @endforeach
                            <td class="fig amount">{{ $row->busV }}</td>
                            <td class="fig amount">{{ $row->busHz }}</td>
                            <td class="fig amount">{{ $row->busKw }}</td>
                            @if ($page->isMisread())
                                <td class="fig amount">{{ $row->meterKw }}</td>
                            @endif
                            @if ($page->hasEngine)
                                <td class="fig amount">{{ $row->setHz }}</td>
                            @endif
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <p class="quiet">Volts are of the lowest leg. Dips, speeds and powers are those of a generic set of this rating, to be
            confirmed.</p>
    @endif
@endsection
@section('aside')
    <h2 class="aside-head">Findings here</h2>
    @forelse ($page->findings as $finding)
        <x-finding :finding="$finding" />
    @empty
        <p class="quiet">None.</p>
    @endforelse
@endsection

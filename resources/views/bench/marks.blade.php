@extends('layouts.site', ['standing' => $page->standing, 'here' => 'commission'])
@section('title', $page->run->switch->site->name . ': marks of the device')
@section('main')
    <p class="net bench-bar"><b>Simulated.</b> <span>What a made-up device logged is never taken into a run: it would prove something that
            nobody saw.</span></p>
    <div class="head">
        <div>
            <h1>Marks of the device</h1>
            <p>Its log beside the stopwatch. The stopwatch counts. <a href="{{ route('run', $page->run) }}">To the stopwatch</a></p>
        </div>
    </div>
    @if ($page->why)
        <p class="missing"><x-glyph kind="warn" /><span>{{ $page->why }}</span></p>
    @else
        <p>Device <b class="fig">{{ $page->serial }}</b>
            @if ($page->offset)
                ; the clock of the stopwatch is {{ $page->offset }}, by the middle of all pairs
            @endif.
        </p>
        @if ($page->rows === [])
            <p class="quiet">Neither has a mark of an outage yet.</p>
        @else
            <table class="ruled">
                <thead>
                    <tr>
                        <th scope="col">Mark</th>
                        <th scope="col">Device, by the stopwatch's clock</th>
                        <th scope="col">Stopwatch</th>
                        <th scope="col">Apart</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($page->rows as $row)
                        <tr>
                            <th scope="row">{{ $row['event'] }}</th>
                            <td class="fig">{{ $row['device'] }}</td>
                            <td class="fig">{{ $row['stopwatch'] }}</td>
                            <td class="fig">{{ $row['apart'] }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            <p class="quiet">The log knows when a loss was declared, the stopwatch when the lever was moved: the
                dropout delay of the sheet is
                taken off.</p>
        @endif
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

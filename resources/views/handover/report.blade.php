@extends('layouts.site', ['here' => 'report'])
@section('title', $report->run->switch->site->name . ': report')
@section('main')
    <div class="head no-print">
        <div>
            <h1>Report</h1>
            <p>
                @if ($report->run->isService())
                    What was found, done and left.
                @else
                    What was set, measured and proved, and what was not.
                @endif
            </p>
        </div>
        @if ($report->procedure !== [])
            <a class="btn btn-outline-primary" href="{{ route('measurements', $report->run) }}">Measurements, CSV</a>
        @endif
        <a class="btn btn-outline-primary" href="{{ route('labels', $report->run->switch) }}">Labels</a>
        <a class="btn btn-outline-primary" href="{{ route('report.json', $report->run) }}">JSON</a>
        <a class="btn btn-primary" href="{{ route('report.pdf', $report->run) }}">PDF</a>
    </div>
    @include('handover.body', ['isPdf' => false])
    @if ($report->run->isSigned() && !$report->run->isService())
        <section class="report-part no-print" id="link">
            <h2>For the owner</h2>
            <p>A page in plain words, with what was proved and what not, the settings as left and dates for the calendar. It opens without
                an account, ends by itself, and can be ended.</p>
            @if (session('link'))
                <p class="shown-once" role="status">Copy it now, it is shown once: <b>{{ session('link') }}</b></p>
            @endif
            @foreach ($report->run->links as $link)
                <div class="link-line"><span>Made {{ $report->when($link->created_at) }},
                        {{ $report->linkState($link) }}</span>
                    @if ($link->isOpen() && auth()->user()->role->maySign())
                        <form method="post" action="{{ route('link.revoke', $link) }}">@csrf @method('delete')<button
                                class="btn btn-outline-primary" type="submit">End this link</button></form>
                    @endif
                </div>
            @endforeach
            @if (auth()->user()->role->maySign())
                <form method="post" action="{{ route('link.make', $report->run) }}" class="fields">@csrf<x-field name="days"
                        label="Open for" unit="days" inputmode="numeric" :value="old('days', 90)" hint="1 to 400" />
                    <div><button class="btn btn-outline-primary" type="submit">Make a link</button></div>
                </form>
            @endif
        </section>
    @endif
@endsection

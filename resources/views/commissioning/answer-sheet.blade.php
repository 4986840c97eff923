@extends('layouts.site', ['standing' => $page->standing, 'here' => 'commission'])
@section('title', $page->run->switch->site->name . ': procedure as a sheet')
@section('frame', 'frame-wide')
@section('main')
    @php($mayAnswer = $page->mayAnswer() && auth()->user()->role->mayWrite())
    <div class="head">
        <div>
            <h1>Procedure, as a sheet</h1>
            <p><b class="fig">{{ $page->progress->closed() }} of {{ count($page->progress->states) }}</b> steps closed. From paper, in the
                order of the work: an earlier answer opens what waits for it. What is closed is put right at its step.</p>
        </div><a class="btn btn-outline-primary" href="{{ route('procedure', $page->run) }}">Step by step</a>
    </div>
    <x-hazard><b>A record, not a permission.</b> Only what was done and read on site is written here. Each step's hazard stands in the
        procedure, before the step.</x-hazard>
    <form method="post" action="{{ route('procedure.sheet.keep', $page->run) }}" class="answer-sheet">
        @csrf @method('put')
        @php($i = 0)
        @foreach ($page->stages() as $title => $steps)
            <section class="block">
                <h2>{{ $title }} <span class="fig">{{ $page->closedOf($steps) }} of {{ count($steps) }}</span></h2>
                <div class="scroll-x">
                    <table class="ruled">
                        <thead>
                            <tr>
                                <th>Step</th>
                                <th>Expect</th>
                                <th>Found</th>
                                <th>Note, or why it is left out</th>
                                <th>State</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($steps as $step)
                                @php($i++)
                                @php($at = "answers[$i]")
                                @php($fault = $faults[$step->id] ?? null)
                                @php($typed = $fault['typed'] ?? [])
                                @php($isAsked = $mayAnswer && $step->kind->value !== 'time' && !$page->state($step)->isClosed())
                                <tr @class(['is-faulty' => $fault])>
                                    <th scope="row">
                                        @php($url = route('procedure', [$page->run, 'step' => $step->id]))
                                        @if ($mayAnswer && $page->isAnswerable($step))
                                            <a
                                                href="{{ $url }}#now">{{ $step->title }}</a>@else{{ $step->title }}
                                            @endif @if ($step->isHold)
                                                <small>hold point</small>
                                            @endif
                                    </th>
                                    <td @class(['fig' => $step->band || $step->window])>{{ $page->expect($step) }}</td>
                                    <td>
                                        @if ($isAsked)
                                            <input type="hidden" name="{{ $at }}[id]"
                                                value="{{ $fault ? '' : \Illuminate\Support\Str::uuid() }}"><input type="hidden"
                                                name="{{ $at }}[step]" value="{{ $step->id }}">
                                            @if ($step->kind->value === 'measure')
                                                <span class="field-box"><input @class([
                                                    'form-control',
                                                    'has-unit',
                                                    'is-invalid' => ($fault['field'] ?? '') === 'value',
                                                ]) name="{{ $at }}[value]"
                                                        inputmode="decimal" autocomplete="off" value="{{ $typed['value'] ?? '' }}"
                                                        aria-label="{{ $step->title }}"><span
                                                        class="unit">{{ $step->band->unit }}</span></span>
                                                @if ($step->tick)
                                                    <label class="check"><input class="form-check-input" type="checkbox"
                                                            name="{{ $at }}[so]" value="1"
                                                            @checked(($typed['so'] ?? '') === '1')>marked</label>
                                                @endif
                                            @elseif ($step->kind->value === 'choose')
                                                <select class="form-select" name="{{ $at }}[choice]"
                                                    aria-label="{{ $step->title }}">
                                                    <option value=""></option>
                                                    @foreach ($step->choices as $id => $words)
                                                        <option value="{{ $id }}" @selected(($typed['choice'] ?? '') === $id)>{{ $words }}
                                                        </option>
                                                    @endforeach
                                                </select>
                                            @else
                                                <select class="form-select" name="{{ $at }}[so]" aria-label="{{ $step->title }}">
                                                    <option value=""></option>
                                                    <option value="1" @selected(($typed['so'] ?? '') === '1')>
                                                        {{ ['photo' => 'done', 'sign' => 'signed'][$step->kind->value] ?? 'it is so' }}
                                                    </option>
                                                    <option value="0" @selected(($typed['so'] ?? '') === '0')>does not match</option>
                                                </select>
                                                @if ($step->kind->value === 'sign')
                                                    <input class="form-control" name="{{ $at }}[name]" maxlength="120"
                                                        value="{{ $typed['name'] ?? '' }}" placeholder="Name"
                                                        aria-label="{{ $step->title }}: name">
                                                @endif
                                            @endif
                                            @if ($step->mayBeSkipped)
                                                <label class="check"><input class="form-check-input" type="checkbox"
                                                        name="{{ $at }}[skip]" value="1" @checked(($typed['skip'] ?? '') === '1')>left
                                                    out</label>
                                            @endif
                                        @elseif ($page->timed($step))
                                            <b class="fig">{{ $page->timed($step) }}</b>
                                        @elseif ($page->answers($step) !== [])
                                            {{ $page->given($page->answers($step)[0], $step) }}
                                        @endif
                                    </td>
                                    <td>
                                        @if ($isAsked)
                                            <input @class([
                                                'form-control',
                                                'is-invalid' => in_array(
                                                    $fault['field'] ?? '',
                                                    ['note', 'skip_reason'],
                                                    true),
                                            ]) name="{{ $at }}[note]" maxlength="500"
                                                value="{{ $typed['note'] ?? '' }}" aria-label="{{ $step->title }}: note">
                                        @endif
                                        @if ($fault)
                                            <p class="field-error" role="alert"><x-glyph kind="stop" />{{ $fault['message'] }}</p>
                                        @endif
                                        @foreach ($step->stoppedBy as $stop)
                                            <p class="field-error"><x-glyph kind="stop" /><span>{{ $stop }} <a
                                                        href="{{ $page->putRightAt($step) }}">Correct it</a></span></p>
                                        @endforeach
                                    </td>
                                    <td><span class="sheet-state"><x-glyph
                                                :kind="$page->glyph($step)" />{{ $page->stateWords($step) }}</span>
                                        @foreach ($page->answers($step) as $answer)
                                            <small @class(['struck' => !$loop->first])>
                                                @if (!$loop->first)
                                                    {{ $page->given($answer, $step) }},
                                                @endif{{ $answer->user->initials() }}
                                                {{ $page->clock($answer->received_at) }}
                                            </small>
                                        @endforeach
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            </section>
        @endforeach
        @if ($mayAnswer)
            <p class="block sheet-keep"><button class="btn btn-primary btn-glove" type="submit">Keep what is filled in</button></p>
        @endif
    </form>
@endsection

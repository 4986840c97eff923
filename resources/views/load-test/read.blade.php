@extends('layouts.site', ['standing' => $read->page->standing, 'here' => 'load-test'])
@section('title', $read->test->switch->site->name . ': reading')
@section('body', 'is-watch')
@section('main')
    <div class="reading" x-data="reading" data-reading="{{ $read->setup() }}">
        <x-hazard><b>Lethal voltage.</b> Load bank terminals are energized. Contact kills. Read with all covers on.</x-hazard>
        <p class="net" role="status"><svg width="15" height="22" viewBox="0 0 15 22" aria-hidden="true">
                <rect x="1" y="1" width="13" height="20" rx="2" fill="none" stroke="currentColor" stroke-width="1.6" />
                <path d="M4.5 11l2 2.5 4-5" fill="none" stroke="currentColor" stroke-width="1.6" />
            </svg><span x-text="netWords">Readings are kept on this device first.</span><b x-text="unsentWords"></b></p>
        <div class="reading-clock" x-bind:class="clockClass"><b class="fig" x-text="countdown">first reading</b>
            <span x-text="nextWords">at the beginning of the warm-up</span>
        </div>
        <div class="reading-stop" x-show="hasStop" x-cloak role="alert"><x-glyph kind="stop" /><b x-text="stopWords"></b>
            <p>Take the load off step by step, let the set cool down as its maker says, and stop it. Only then look for the cause, with the
                set and both sources isolated, locked out and proved dead.</p>
        </div>
        @if ($read->test->isClosed())
            <p class="said">This test is closed.</p>
        @elseif (auth()->user()->role->mayWrite())
            <section class="reading-marks" aria-label="Mark what happens">
                <p><b x-text="stepWords">Not started yet</b></p>
                <div class="reading-thumbs">
                    <button type="button" class="btn btn-primary btn-glove" x-on:click="markNext" x-text="nextMarkWords">Set
                        started</button>
                    <button type="button" class="btn btn-outline-primary btn-glove" x-show="mayStepDown" x-cloak x-on:click="markDown">Load
                        down</button>
                    <button type="button" class="btn btn-outline-primary btn-glove" x-show="mayFail" x-cloak x-on:click="markFailed">Utility
                        failed</button>
                    <button type="button" class="btn btn-outline-primary btn-glove" x-show="mayDrop" x-cloak x-on:click="markDropped">Bank
                        dropped</button>
                </div>
                <div class="reading-stop" x-show="isFailed" x-cloak role="alert"><x-glyph kind="stop" /><b>The set carries the building
                        now.</b>
                    <p>See that the bank is off: at its own switch, covers on. Touch no terminal. Read on only if the set runs calmly; else
                        end the test, and leave the set to the building.</p>
                </div>
            </section>
            <form x-ref="form" x-on:submit.prevent="save" novalidate>
                @foreach (['v' => 'Volts, line to neutral', 'a' => 'Amperes', '' => 'Set'] as $group => $title)
                    <fieldset>
                        <legend>{{ $title }}</legend>
                        <div class="reading-fields">
                            @foreach ($read->figures() as $key => $figure)
                                @continue($group === '' ? str_contains($key, '.') : !str_starts_with($key, "$group."))
                                <label>
                                    <span class="reading-label"><b>{{ $figure['label'] }}</b> <small
                                            data-was="{{ $key }}"></small></span>
                                    <span class="field-box"><input class="form-control has-unit fig" name="{{ $key }}"
                                            inputmode="decimal" autocomplete="off" enterkeyhint="next"><span
                                            class="unit">{{ $figure['unit'] }}</span></span>
                                </label>
                            @endforeach
                        </div>
                    </fieldset>
                @endforeach
                <div class="reading-question" x-show="isAsking" x-cloak role="alert">
                    <p><x-glyph kind="warn" /><b x-text="questionWords"></b></p>
                    <div class="reading-answers">
                        <button type="button" class="btn btn-outline-primary btn-glove" x-show="hasSuggestion" x-on:click="takeSuggestion"
                            x-text="suggestionWords"></button>
                        <button type="button" class="btn btn-outline-primary btn-glove" x-on:click="keepTyped" x-text="keepWords"></button>
                    </div>
                </div>
                <label class="btn btn-outline-primary btn-glove reading-camera"><span x-text="pictureWords">Picture of the
                        meter</span><input
                        type="file" accept="image/*" capture="environment" x-ref="camera" x-on:change="pictured"></label>
                <p class="field-error" x-show="problem" x-text="problem" x-cloak role="alert"></p>
                <p class="reading-proved" x-text="provedWords"></p>
                <button class="btn btn-primary btn-glove reading-save" type="submit"><b x-text="saveWords">Save reading</b></button>
            </form>
        @endif
        <p><a href="{{ route('load-test', $read->test) }}">The whole test, with steps and verdict</a></p>
    </div>
@endsection

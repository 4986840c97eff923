@extends('layouts.app')
@section('title', 'Pictures by name')
@section('content')
    <main id="main" class="main" x-data="bulkPictures" data-setup="{{ $setup }}">
        <h1>Pictures by name</h1>
        <p class="lead-in">Choose many at once. The name of a file says where it belongs, as <i>Mill Lane 3 panel.jpg</i>: the name of the
            site, of the switch where it has several, and a word for what it shows. You see it before anything is sent.</p>
        <div class="field">
            <label for="f-pictures">Pictures</label>
            <input id="f-pictures" class="form-control" type="file" accept="image/jpeg,image/png,image/webp" multiple x-on:change="choose">
        </div>
        <p role="status" x-text="words"></p>
        <datalist id="places">
            @foreach ($places as $place)
                <option value="{{ $place }}">
            @endforeach
        </datalist>
        <div class="scroll-x" x-show="hasItems" x-cloak>
            <table class="ruled">
                <thead>
                    <tr>
                        <th scope="col">Picture</th>
                        <th scope="col">Where it belongs</th>
                        <th scope="col">What it shows</th>
                        <th scope="col"></th>
                    </tr>
                </thead>
                <tbody>
                    <template x-for="(item, at) in items" x-bind:key="item.name">
                        <tr>
                            <th scope="row" x-text="item.name"></th>
                            <td><input class="form-control" list="places" x-bind:value="item.place" x-bind:data-at="at"
                                    x-on:change="setPlace" x-bind:aria-label="item.name + ': where it belongs'"></td>
                            <td><select class="form-select" x-bind:data-at="at" x-on:change="setSubject"
                                    x-bind:aria-label="item.name + ': what it shows'">
                                    <template x-for="subject in subjects" x-bind:key="subject.value">
                                        <option x-bind:value="subject.value" x-bind:selected="subject.value === item.subject"
                                            x-text="subject.label"></option>
                                    </template>
                                </select></td>
                            <td x-text="item.state"></td>
                        </tr>
                    </template>
                </tbody>
            </table>
        </div>
        <p x-text="lostWords"></p>
        <button class="btn btn-primary btn-glove" type="button" x-show="isIdle" x-cloak x-on:click="send" x-text="sendWords">Send</button>
    </main>
@endsection

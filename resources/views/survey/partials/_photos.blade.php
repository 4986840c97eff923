@use('App\Models\Photo')
@use('Escapement\Core\Survey\Subject')
@php($mayWrite = auth()->user()->role->mayWrite())
@php($subjects = Subject::cases())
@php($shows = new \App\Stage\Survey\PhotoShows($switch))
@if ($mayWrite)
    <form method="post" action="{{ route('photos', $switch) }}" class="block" enctype="multipart/form-data">
        @csrf
        <h2>Take or choose pictures</h2>
        <p class="lead-in">Labels, every panel with its cover on, meter, cable entries, where the generator stands. The picture from before
            the work is the one that people miss most.</p>
        <div class="fields">
            <div class="field"><label for="photos">Pictures</label><input @class([
                'form-control',
                'is-invalid' => $errors->has('photos') || $errors->has('photos.*'),
            ]) type="file" id="photos"
                    name="photos[]" multiple accept="image/jpeg,image/png,image/webp">
                @if ($errors->has('photos') || $errors->has('photos.*'))
                    <p class="field-error"><x-glyph kind="stop" />{{ $errors->first('photos') ?: $errors->first('photos.*') }}</p>
                @endif
                <p class="field-hint">They are made smaller; where they were taken is taken out of them.</p>
            </div>
            <div class="field"><label for="photo-shows">Evidence of</label><select class="form-select" id="photo-shows" name="shows">
                    <option value="">nothing in particular</option>
                    @include('survey.partials._shows', ['chosen' => old('shows')])
                </select>
            </div>
            <div class="field"><label for="photo-subject">Page of the survey</label><select class="form-select" id="photo-subject"
                    name="subject">
                    @foreach ($subjects as $subject)
                        <option value="{{ $subject->value }}" @selected(old('subject') === $subject->value)>
                            {{ $subject === Subject::Photos ? 'Something else' : $subject->label() }}</option>
                    @endforeach
                </select>
            </div>
            <fieldset class="field">
                <legend>When</legend>
                <div class="choice">
                    @foreach (Photo::MOMENTS as $value => $words)
                        <label><input type="radio" name="moment" value="{{ $value }}"
                                @checked(old('moment', 'before') === $value)><span>{{ $words }}</span></label>
                    @endforeach
                </div>
            </fieldset>
            <x-field name="caption" label="Caption" :value="old('caption', '')" maxlength="200" />
        </div>
        <button class="btn btn-primary btn-glove" type="submit">Keep the pictures</button>
    </form>
@endif
<section class="block" aria-labelledby="pictures">
    <h2 id="pictures">Pictures</h2>
    @if ($switch->photos->isEmpty())
        <p class="quiet">None yet.</p>
    @endif
    <ul class="photos">
        @foreach ($switch->photos as $photo)
            <li id="photo-{{ $photo->id }}">
                <a href="{{ route('photo', ['photo' => $photo, 'size' => 'full']) }}"><img
                        src="{{ route('photo', ['photo' => $photo, 'size' => 'small']) }}"
                        alt="{{ $photo->caption ?? 'Picture of ' . mb_strtolower(Subject::from($photo->subject)->label()) }}"
                        width="{{ $photo->width }}" height="{{ $photo->height }}" loading="lazy"></a>
                <p><b>{{ $photo->caption ?? 'No caption' }}</b><small>{{ Subject::from($photo->subject)->label() }},
                        {{ Photo::MOMENTS[$photo->moment] }}.{{ $shows->evidence($photo->shows) }}
                        {{ $photo->user->name }},
                        {{ $page->standing->date($photo->created_at) }}</small></p>
                @if ($photo->run_id !== null)
                    <p class="small">Evidence of a <a href="{{ route('procedure', $photo->run_id) }}">run</a>; it stays as it is.</p>
                @elseif ($mayWrite)
                    <details>
                        <summary>Change</summary>
                        <form method="post" action="{{ route('photo.change', $photo) }}">@csrf @method('put')
                            <div class="field"><label for="caption-{{ $photo->id }}">Caption</label><input class="form-control"
                                    id="caption-{{ $photo->id }}" name="caption" value="{{ $photo->caption }}" maxlength="200"></div>
                            <div class="field"><label for="shows-{{ $photo->id }}">Evidence of</label><select class="form-select"
                                    id="shows-{{ $photo->id }}" name="shows">
                                    <option value="">nothing in particular</option>
                                    @include('survey.partials._shows', ['chosen' => $photo->shows])
                                </select>
                            </div>
                            <div class="field"><label for="subject-{{ $photo->id }}">Page of the survey</label><select
                                    class="form-select" id="subject-{{ $photo->id }}" name="subject">
                                    @foreach ($subjects as $subject)
                                        <option value="{{ $subject->value }}"
                                            @selected($photo->subject === $subject->value)>{{ $subject->label() }}
                                        </option>
                                    @endforeach
                                </select>
                            </div>
                            <div class="field"><label for="moment-{{ $photo->id }}">When</label><select class="form-select"
                                    id="moment-{{ $photo->id }}" name="moment">
                                    @foreach (Photo::MOMENTS as $value => $words)
                                        <option value="{{ $value }}" @selected($photo->moment === $value)>
                                            {{ $words }}</option>
                                    @endforeach
                                </select></div>
                            <button class="btn btn-outline-primary" type="submit">Save</button>
                        </form>
                        <form method="post" action="{{ route('photo.remove', $photo) }}">@csrf @method('delete')<button
                                class="btn btn-outline-primary" type="submit">Remove the picture</button></form>
                    </details>
                @endif
            </li>
        @endforeach
    </ul>
</section>

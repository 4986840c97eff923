@php($form = $page->intervals())
@if ($form && auth()->user()->role->mayWrite())
    @php($scopes = auth()->user()->role->mayLead() ? $form::SCOPES : ['site' => $form::SCOPES['site']])
    <details class="block" @if ($errors->has('i.*') || $errors->has('seen')) open @endif>
        <summary>Intervals of this site and of the company</summary>
        <form method="post" action="{{ route('intervals.save', $page->switch) }}">
            @csrf @method('put')
            <x-seen :kept="$form->kept" />
            <p class="lead-in">The maker's manual comes first. Empty: as for the company, else generic. "off" for months: it is not done.
                Whichever comes first, hours or months.</p>
            <div class="scroll-x">
                <table class="ruled">
                    <thead>
                        <tr>
                            <th>Work</th>
                            <th>Generic</th>
                            @foreach ($scopes as $words)
                                <th>{{ $words }}, h</th>
                                <th>months</th>
                            @endforeach
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($form->rows as $item => $row)
                            <tr>
                                <th scope="row">{{ $page::item($item) }}</th>
                                <td class="fig">{{ $form::words($row['generic']) }}</td>
                                @foreach ($scopes as $scope => $words)
                                    @foreach (['hours', 'months'] as $figure)
                                        @php($key = "i.$item.$scope.$figure")
                                        <td><input @class([
                                            'form-control fig short-field',
                                            'is-invalid' => $errors->has($key),
                                        ])
                                                name="i[{{ $item }}][{{ $scope }}][{{ $figure }}]"
                                                value="{{ $form->typed($item, $scope, $figure) }}"
                                                aria-label="{{ $page::item($item) }}, {{ $figure }}, {{ lcfirst($words) }}">
                                            @error($key)
                                                <p class="field-error"><x-glyph kind="stop" />{{ $message }}</p>
                                            @enderror
                                        </td>
                                    @endforeach
                                @endforeach
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            <button class="btn btn-outline-primary" type="submit">Save the intervals</button>
        </form>
    </details>
@endif

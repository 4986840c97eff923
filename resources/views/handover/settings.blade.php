<table class="ruled settings-list">
    <tbody>
        @foreach ($report->sheetGroups as $heading => $fields)
            @php($given = array_filter($fields, fn($field) => $field->typed($run->sheet->settings) !== ''))
            @if ($given !== [])
                <tr>
                    <th colspan="4">{{ $heading }}</th>
                </tr>
            @endif
            @foreach (array_chunk($given, 2) as $pair)
                <tr>
                    @foreach ($pair as $field)
                        <td>{{ $field->label }}</td>
                        <td class="fig">
                            {{ $field->read($run->sheet->settings) }}
                        </td>
                        @endforeach @if (count($pair) === 1)
                            <td></td>
                            <td></td>
                        @endif
                </tr>
            @endforeach
        @endforeach
    </tbody>
</table>

@props(['lines'])
{{-- The arithmetic behind figures, line by line. --}}
<dl class="pairs working-lines">
    @foreach ($lines as $line)
        <div>
            <dt>{{ $line->label }}</dt>
            <dd><span class="fig">{{ is_numeric($line->value) ? round($line->value, 4) : $line->value }} {{ $line->unit }}</span>
                <small>{{ $line->expression }}</small>
            </dd>
        </div>
    @endforeach
</dl>

@foreach ($page->landing->enclosures as $table)
    <div class="together">
        @if ($loop->first && $isPdf)
            <h2>Terminations and torque</h2>
        @endif
        <h3>
            {{ $table->name }}</h3>
        <div class="scroll-x">
            <table class="ruled">
                <thead>
                    <tr>
                        <th>Terminal</th>
                        <th>Conductor</th>
                        <th>Run</th>
                        <th>Size</th>
                        <th>Colour</th>
                        <th>Torque</th>
                        <th>Measured</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($table->lines as $i => $line)
                        <tr>
                            <td>{{ $line['terminal'] }}</td>
                            <td class="fig">{{ $line['conductor'] }}</td>
                            <td>{{ $line['feeder'] }}</td>
                            <td class="fig">{{ $line['size'] }}</td>
                            <td>{{ $table->colour($line) }}</td>
                            <td class="fig">{{ $table->target($i)['value'] }} <span
                                    class="small">{{ $table->target($i)['source'] }}</span></td>
                            <td class="fig">{{ $page->torqued($table->id, $line) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
    </div>
@endforeach

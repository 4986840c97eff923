<table class="head-of-paper">
    <tbody>
        <tr>
            <td>
                @if ($company)
                    @if ($logo = $company->logo())
                        <img class="logo-of-paper" alt="" src="{{ $logo }}"><br>
                    @endif
                    <span class="company">{{ $company->name }}</span>
                    @foreach ($company->headLines() as $line)
                        <br>{{ $line }}
                    @endforeach
                @endif
            </td>
            <td class="right"><b>{{ $title }}</b><br>{{ $under }}</td>
        </tr>
    </tbody>
</table>

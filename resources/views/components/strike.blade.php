@props(['action', 'what'])
{{-- Something that was written down stays in sight, struck out with the reason. --}}
<details>
    <summary>Strike out</summary>
    <form method="post" action="{{ $action }}">
        @csrf @method('delete')
        <input class="form-control" name="why" maxlength="300" required aria-label="Why {{ $what }} does not count">
        <button class="btn btn-outline-primary" type="submit">Strike out</button>
    </form>
</details>

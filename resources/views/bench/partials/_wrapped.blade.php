<div id="bench-live" x-data="benchClock" data-t="{{ $live->tMs }}" data-rate="{{ $live->rate }}">
    <input type="hidden" id="bench-seen" name="seen" value="{{ $live->tag }}">
    {!! $live->html !!}
</div>

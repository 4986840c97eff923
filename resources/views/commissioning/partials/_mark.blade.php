<li x-bind:class="line.css">
    <b class="marks-title" x-show="line.title" x-text="line.title"></b>
    <svg class="glyph" width="18" height="18" aria-hidden="true">
        <use x-bind:href="line.glyph" />
    </svg>
    <span x-text="line.name"></span><b class="fig" x-text="line.clock"></b><span class="marks-window" x-text="line.words"></span>
    @if (!$run->isSigned() && auth()->user()->role->mayWrite())
        <button type="button" class="marks-note" x-on:click="beginNote(line.id)" x-bind:aria-label="line.noteLabel">note</button>
    @endif
    <span class="marks-said" x-show="line.note" x-text="line.note"></span>
</li>

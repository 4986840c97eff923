<div class="hazard" role="note">
    <p>{{ $slot }}</p>
</div>

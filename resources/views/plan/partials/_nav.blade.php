<nav class="choice subjects" aria-label="Pages of the plan">
    @foreach (array_filter([
        'plan' => 'One-line',
        'shedding' => $switch->site->installation->hasGenerator() ? 'Shedding' : null,
        'mobile' => $switch->site->installation->isMobile() ? 'Batteries and cords' : null,
        'wires' => 'Feeders and wires',
        'landing' => 'Terminations and torque',
        'wiring' => 'Wiring',
        'ways' => $switch->site->installation->isThreePhase() ? 'Outgoing ways' : null,
        'meters' => $switch->site->installation->isThreePhase() ? 'Meters' : null,
        'circuit' => $switch->site->installation->isThreePhase() ? 'Control circuit' : null,
        'class' => 'Class',
        'power-down' => 'Power-down',
        'pack-list' => 'Materials and tools',
    ]) as $route => $words)
        <a href="{{ route($route, $switch) }}" @if ($route === $now) aria-current="page" @endif>{{ $words }}</a>
    @endforeach
    <a href="{{ route('plan.pack', $switch) }}">All of it, PDF</a>
</nav>

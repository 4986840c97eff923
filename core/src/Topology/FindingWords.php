<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

use Escapement\Core\Finding\Severity;

/** What each finding of the drawing says, and why it matters. Those that can hurt say so. */
final class FindingWords
{
    private const SAYS = [
        // topology §1
        'load-never-fed' => ['warn', 'A load is fed in no position', 'Nothing reaches it as drawn: a link or a closed breaker is missing.'],
        'backfeed' => ['stop', 'Two sources meet', 'Back-feed: the transformer turns 240 V into thousands on a line that a line worker believes is dead. It kills. Keep them apart by something mechanical.'],
        'backfeed-breaker-only' => ['stop', 'Only a breaker keeps two sources apart', 'Somebody closes it one day, and the line is back-fed. It kills. Fit a mechanical interlock, or a transfer switch.'],
        'grid-interactive-parallel' => ['note', 'An inverter runs in parallel by design', 'It must be listed for that, and the utility must know of it.'],
        'grid-interactive-on-generator' => ['warn', 'A grid-interactive inverter meets a generator', 'It may push energy back into the generator. The makers of both must allow it.'],
        'port-unconnected' => ['warn', 'A terminal of the switch has no link', 'The drawing is not complete there.'],
        'switch-underrated' => ['stop', 'The switch is smaller than what protects it', 'It burns before the device upstream opens. A larger switch, or a smaller device.'],
        'panel-bus-underrated' => ['stop', 'The bars of a panel are smaller than what protects them', 'They burn before the device upstream opens.'],
        'inlet-underrated' => ['stop', 'An inlet is smaller than what protects it', 'Its pins burn before the breaker opens.'],
        'no-upstream-ocpd' => ['warn', 'What protects this is not known, or not there', 'Find the device upstream and its rating.'],
        'breaker-over-bus' => ['stop', 'A breaker is larger than its bars', 'The bars burn first.'],
        'selectivity-doubtful' => ['note', 'A device upstream is not larger than this one', 'A fault here may open that one: more goes dark than needs to. By rating only; the curves decide.'],
        'sensing-dead' => ['stop', 'Nothing reaches the sensing of the switch', 'It takes the utility for lost, starts, and transfers at once.'],
        'no-outage-test-point' => ['warn', 'There is no device to prove the switch with', 'An outage can be simulated only by opening something upstream of the sensing. Plan a disconnect, or the utility\'s help.'],
        'test-point-not-outage' => ['warn', 'Opening this proves nothing', 'It lies after the sensing: the lights go off, the switch still sees good utility, and nothing starts.'],
        'line-side-live' => ['warn', 'With this open its line side stays live', 'Lethal until the utility opens upstream. Cover it, and prove dead what you work on.'],
        'generator-still-feeds' => ['warn', 'With this open a generator still feeds', 'Opening it starts the generator by itself within seconds. Block it from starting and open its breaker too.'],
        'stored-energy' => ['note', 'Energy is stored here', 'Batteries and capacitors stay live after everything is open. Wait the maker\'s time, prove dead.'],
        'energy-loop' => ['warn', 'A charger feeds the battery that feeds it', 'Energy goes in a circle and half of it is lost. Shed the charger on inverter power.'],
        'no-service-disconnect' => ['stop', 'Nothing disconnects this supply', 'With every service disconnect open the building is still live. It kills whoever trusts the handle.'],
        'switch-not-service-rated' => ['stop', 'The switch stands ahead of the service disconnect and is not service rated', 'It must be listed for it, or stand after a disconnect.'],
        'poles-too-few' => ['stop', 'The switch has too few poles', 'A conductor would stay joined between the sources.'],
        'poles-spare' => ['note', 'The switch has a pole more than is needed', 'A switched neutral would use it; then the bonding changes.'],
        'no-mechanical-interlock' => ['warn', 'Nothing mechanical keeps the two sides apart', 'A welded contact or a pushed armature joins two sources.'],
        'withstand-unknown' => ['note', 'What fault current the switch withstands is not known', 'Read it from the label.'],
        'withstand-exceeded' => ['stop', 'A fault there is more than the switch withstands', 'It bursts. A switch with a higher rating, or a current-limiting device ahead of it.'],
        'fault-current-unknown' => ['note', 'The fault current of this supply is not known', 'Ask the utility.'],
        'panel-now-sub' => ['warn', 'This panel is a sub-panel now', 'The first disconnect lies ahead of it: neutrals and grounds must be parted, and its bond removed.'],
        'capacitor-on-generator' => ['warn', 'Capacitors are fed by a generator', 'They raise its voltage until its regulator loses hold. Lock them out on the generator.'],
        'ups-on-generator' => ['note', 'A UPS is fed by a generator', 'Some do not accept its frequency and stay on battery. Try it, and ask both makers.'],
        // one-line layout §4
        'unconnected' => ['note', 'An element has no link', 'Link it, or take it away.'],
        'no-feed' => ['note', 'An element has no feed', 'Nothing leads to it from above.'],
        // bonding §2
        'several-service-disconnects' => ['note', 'This supply has more than one service disconnect', 'Each has its own bond. Count them with the authority.'],
        'source-bond-parallel' => ['stop', 'The bond of a source stands beside another', 'Neutral current splits and flows in grounds for ever. It trips ground-fault devices and can sting. Take it out.'],
        'circulating-neutral' => ['stop', 'Two supplies are bonded and joined by their neutrals', 'Neutral current circulates through grounds and earth. Switch the neutral.'],
        'mobile-panel-bonded' => ['stop', 'A mobile panel is bonded', 'Its skin becomes live when the cord\'s neutral opens. The bond is ashore or at its own generator.'],
        'mobile-neutral-not-switched' => [
            'stop', 'The switch does not switch the neutral of the vehicle',
            'Shock hazard: with a solid neutral the supplies share a bond, and pulling the shore cord takes it away. A fault then leaves the skin live. Each supply is bonded ashore or at its own generator or inverter, and the switch switches the neutral with the hots.',
        ],
        'bonds-not-surveyed' => [
            'warn', 'Not known',
            'Shock hazard: a bond too many or one too few can kill. No bond is moved on a guess. Have each one looked at, isolated and proved dead, then enter what was found on the Plan page.',
        ],
        'panel-bond-extra' => ['stop', 'A panel is bonded that must not be', 'Neutral current flows in grounds, pipes and frames. Take the screw or strap out, part neutrals and grounds.'],
        'floating-neutral' => ['stop', 'A source is not bonded and should be', 'A fault to a case has no way back: no breaker trips and the case stays live.'],
        'bond-missing' => ['stop', 'The bond is missing where it belongs', 'A fault to a case has no way back: no breaker trips and the case stays live.'],
        'floating-by-intent' => ['warn', 'This source floats by its maker\'s intent', 'No fault trips anything. Only as the maker describes it, with everything plugged in locally.'],
        'open-neutral' => ['stop', 'The neutral is not landed on the way', 'Two 120 V legs stand in series over 240 V: things burn.'],
        'no-ground-path' => ['stop', 'The ground does not lead back to the bond', 'A fault to a case has no way back: it stays live.'],
        'electrode-missing' => ['warn', 'No electrode conductor where it belongs', 'The system floats against earth in a storm.'],
        'electrode-auxiliary' => ['note', 'An extra electrode', 'Allowed beside the grounding conductor, never instead of it.'],
        'electrode-misplaced' => ['warn', 'An electrode conductor where it does not belong', 'It belongs where the bond is.'],
        'no-equipment-ground' => ['stop', 'No grounding conductor is run here', 'Earth itself is no way back for a fault: the case stays live.'],
        'gfci-will-trip' => ['warn', 'The ground-fault breaker will trip', 'Another bond lets neutral current past it.'],
        'gfci-blind' => ['warn', 'The ground-fault breaker is blind', 'Without its own bond it sees no fault.'],
        'fixed-bond-unresolvable' => ['stop', 'A fixed bond cannot be got around', 'Neither it nor a solid neutral can be changed here. Ask the maker, or another switch.'],
    ];

    /** @return array{Severity, string, string} severity, what, why */
    public static function of(string $id): array
    {
        [$severity, $message, $because] = self::SAYS[$id] ?? throw new \LogicException("No words for $id.");

        return [Severity::from($severity), $message, $because];
    }
}

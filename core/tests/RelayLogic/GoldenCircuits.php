<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Draft\CircuitDraft;
use Escapement\Core\RelayLogic\Draft\DraftFault;
use Escapement\Core\RelayLogic\RelayCheck;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\Repair\CircuitRepairs;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\RelayLogic\Story\CounterExample;
use Escapement\Core\Wire\Panel\CircuitWriter;
use Escapement\Core\Wire\RelayCheckReader;

/** Every standard circuit with a contact forgotten or of the other kind: what the proof finds and proposes, and the way to both closed. */
final class GoldenCircuits
{
    /** @return iterable<string, RelayCircuit> */
    public static function all(): iterable
    {
        foreach (StandardCircuits::all() as $key => $one) {
            $circuit = self::read($one['circuit']);
            yield "$key as drawn" => $circuit;
            yield "$key without a mechanical interlock" => $circuit->with(hasMechanicalInterlock: false);
            $draft = new CircuitDraft($circuit);
            $places = self::places($circuit);
            foreach ($places as $place => $contact) {
                yield "$key without $place" => $draft->withoutContact($place);
                foreach ($places as $other => $same) {
                    if ($same->device === $contact->device && $same->kind === $contact->kind && $same->label !== $contact->label) {
                        yield "$key with $place drawn as $other" => $draft->replacing($place, $same);
                    }
                }
                if (in_array($contact->kind, ['no', 'nc'], true)) {
                    $other = $contact->kind === 'no' ? 'nc' : 'no';
                    yield "$key with $place turned" => $draft->replacing(
                        $place,
                        new Contact('', $other, $contact->device, $contact->positions, $contact->label),
                    );
                }
            }
        }
    }

    /** @return array<string, list<string>> */
    public static function golden(): array
    {
        $golden = [];
        foreach (self::all() as $name => $circuit) {
            $golden[$name] = self::told($circuit);
        }

        return $golden;
    }

    /** @return list<string> */
    public static function told(RelayCircuit $circuit): array
    {
        $found = (new RelayCheck())->check($circuit);
        $told = array_map(static fn(Finding $one): string => "$one->id@$one->at", $found->findings);
        foreach ((new CircuitRepairs($circuit))->for($found) as $repair) {
            $ids = static fn(array $findings): string => implode(' ', array_column($findings, 'id'));
            $told[] = "{$repair->key()}: $repair->label; clears {$ids($repair->clears)}; raises {$ids($repair->raises)}; $repair->rung";
            foreach (array_diff_key(self::parts($repair->circuit), self::parts($circuit)) as $part => $true) {
                $told[] = "  now $part";
            }
            foreach (array_diff_key(self::parts($circuit), self::parts($repair->circuit)) as $part => $true) {
                $told[] = "  gone $part";
            }
        }
        foreach ((new CounterExample($circuit))->steps() as $step) {
            $told[] = ($step->isOutside ? '> ' : '') . trim("$step->title. $step->detail");
        }

        return $told;
    }

    /** @return array<string, true> devices and rungs as they are written */
    private static function parts(RelayCircuit $circuit): array
    {
        $drawn = CircuitWriter::write($circuit);
        $parts = [];
        foreach ([...$drawn['devices'], ...$drawn['rungs'], ['mechanical_interlock' => $drawn['mechanical_interlock']]] as $part) {
            $parts[json_encode($part, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)] = true;
        }

        return $parts;
    }

    /** @return array<string, Contact> by the name of their place */
    private static function places(RelayCircuit $circuit): array
    {
        $places = [];
        foreach ([...$circuit->rungs, ...$circuit->devices] as $owner) {
            for ($i = 0; $i < 20; $i++) {
                try {
                    $expression = (new CircuitDraft($circuit))->place("$owner->id:$i")->contact();
                } catch (DraftFault) {
                    break;
                }
                if ($expression->contact !== null) {
                    $places["$owner->id:$i"] = $expression->contact;
                }
            }
        }

        return $places;
    }

    /** @param array<string, mixed> $circuit */
    private static function read(array $circuit): RelayCircuit
    {
        return (new RelayCheckReader())->circuit(Node::fromJson(json_encode($circuit, JSON_THROW_ON_ERROR)));
    }
}

<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\CapacitorBank;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use Escapement\Core\Commissioning\PanelSheet;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\Settings\Settings;

/** What the control circuit and the capacitor bank of a changeover panel give to its sheet and its procedure. Needs of the switch: site. */
final readonly class PanelFacts
{
    private const MOST_CHARACTERS = 600;

    public ?Circuit $circuit;
    private ?CircuitFacts $facts;

    public function __construct(private TransferSwitch $switch)
    {
        $this->circuit = $switch->site->installation->isThreePhase()
            ? Circuit::query()->where('switch_id', $switch->id)->first()
            : null;
        $this->facts = $this->circuit === null ? null : new CircuitFacts($this->circuit, $switch->plant);
    }

    /** @return null|array<string, mixed> `panel` of the procedure; null: no circuit is kept */
    public function panel(): ?array
    {
        return $this->facts?->panel($this->switch->site->units === 'metric', $this->stops());
    }

    /** @return array<string, mixed> options of the procedure */
    public function bank(): array
    {
        $bank = $this->switch->site->installation->isThreePhase()
            ? CapacitorBank::query()->where('switch_id', $this->switch->id)->first()
            : null;
        $hasBank = $bank !== null && ($bank->fixed_kvar !== null || $bank->steps_kvar !== []);

        return $hasBank ? ['bank' => true] + ($bank->reconnect_s === null ? [] : ['bank_reconnect_s' => $bank->reconnect_s]) : [];
    }

    /** Null: no circuit is kept, or nothing of it can be played. */
    public function built(): ?BuiltPanel
    {
        return $this->facts?->built();
    }

    /** The sheet beside what the panel does; null: no circuit is kept, or nothing of it can be played. */
    public function sheet(Settings $settings): ?PanelSheet
    {
        $built = $this->built();

        return $built === null ? null : new PanelSheet((new SwitchFacts($this->switch))->plant, $settings, $built);
    }

    /** @return list<string> what stands against the proof of the circuit, in sentences */
    private function stops(): array
    {
        $circuit = $this->circuit ?? throw new \LogicException('Without a circuit nothing asks for its proof.');
        if ($circuit->proof_state !== 'done') {
            return ['The circuit is not proved yet: ' . ($circuit->proof_problem ?? 'its search has not come to its end') . '.'];
        }
        $proof = CircuitProof::unpacked($circuit->proof);

        return $proof === null ? ['The proof of the circuit is of an older edition of the program: prove it again.'] : array_map(
            static fn(Finding $finding): string => mb_substr($finding->sentence(), 0, self::MOST_CHARACTERS),
            array_values(array_filter($proof->result->findings, static fn(Finding $one): bool => $one->severity === Severity::Stop)),
        );
    }
}

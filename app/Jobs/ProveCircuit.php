<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Bridge\CircuitFacts;
use App\Bridge\CircuitProof;
use App\Models\Circuit;
use Escapement\Core\Finding\Severity;
use Escapement\Core\RelayLogic\RelayCheck;
use Escapement\Core\RelayLogic\Repair\CircuitRepairs;
use Escapement\Core\RelayLogic\TooManyStates;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Searches a circuit through; says how far it is, and stops when it is cancelled or the circuit was changed meanwhile. */
final class ProveCircuit implements ShouldQueue
{
    use Queueable;

    /** Up to here it is proved while the person waits: well under two seconds. */
    public const AT_ONCE_STATES = 3000;
    private const MOST_STATES = 60_000;
    private const TELLS_EVERY_S = 0.3;

    public int $tries = 1;
    /** Below the 90 s after which the queue would hand it out again. */
    public int $timeout = 85;
    private float $toldAt = 0.0;

    public function __construct(private readonly int $circuitId, private readonly string $stamp) {}

    public static function begin(Circuit $circuit): void
    {
        $states = CircuitFacts::read($circuit->document)->mostStates();
        $states <= self::AT_ONCE_STATES
            ? self::dispatchSync($circuit->id, $circuit->stamp)
            : self::dispatch($circuit->id, $circuit->stamp)->onQueue(Turn::HEAVY);
    }

    public function handle(): void
    {
        $stored = Circuit::query()->withoutGlobalScope('company')->find($this->circuitId);
        if ($stored === null || $this->update('waiting', ['proof_state' => 'running', 'proof_done' => 0]) === 0) {
            return; // removed, changed or cancelled while it waited
        }
        $circuit = CircuitFacts::read($stored->document);
        try {
            $result = (new RelayCheck())->check($circuit, $this->tell(...), self::MOST_STATES);
            $repairs = (new CircuitRepairs($circuit))->for($result, $this->goOn(...));
        } catch (TooManyStates $limit) {
            $this->update('running', ['proof_state' => 'failed', 'proof_problem' => $limit->getMessage()]);

            return;
        } catch (ProofStopped) {
            return;
        }
        $proof = new CircuitProof($result, $repairs);
        $this->update('running', [
            'proof_state' => 'done', 'proof' => $proof->packed(), 'proof_problem' => null,
            'stops' => $proof->count(Severity::Stop), 'warns' => $proof->count(Severity::Warn),
        ]);
    }

    public function failed(?\Throwable $why): void
    {
        $problem = mb_substr($why?->getMessage() ?? 'It was stopped.', 0, 250);
        $this->update('running', ['proof_state' => 'failed', 'proof_problem' => $problem]);
    }

    private function tell(int $done, int $of): void
    {
        $now = microtime(true);
        if ($now - $this->toldAt < self::TELLS_EVERY_S) {
            return;
        }
        $this->toldAt = $now;
        if ($this->update('running', ['proof_done' => $done, 'proof_of' => $of]) === 0 && ! $this->isWanted()) {
            throw new ProofStopped();
        }
    }

    private function goOn(): void
    {
        if (! $this->isWanted()) {
            throw new ProofStopped();
        }
    }

    /** An update that changes nothing counts no rows, so it is asked for. */
    private function isWanted(): bool
    {
        return Circuit::query()->withoutGlobalScope('company')
            ->whereKey($this->circuitId)
            ->where('stamp', $this->stamp)
            ->where('proof_state', 'running')
            ->exists();
    }

    /** @param array<string, int|string|null> $change */
    private function update(string $from, array $change): int
    {
        return Circuit::query()->withoutGlobalScope('company')
            ->whereKey($this->circuitId)
            ->where('stamp', $this->stamp)
            ->where('proof_state', $from)
            ->update($change);
    }
}

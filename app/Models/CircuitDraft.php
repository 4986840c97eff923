<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What one person is drawing at the circuit of one switch: it stays over reloads and devices until it is saved or thrown away.
 *
 * @property int    $id
 * @property int    $company_id
 * @property int    $switch_id
 * @property int    $user_id
 * @property list<string> $history documents as `relay_check` reads them, JSON, oldest first
 * @property int    $place   which of them is shown
 * @property string $begun_from
 * @property ?string $last_edit what the device called the edit that it made last
 */
final class CircuitDraft extends Model
{
    use BelongsToCompany;

    private const MOST_STEPS = 60;

    protected $guarded = [];

    public function document(): string
    {
        return $this->history[$this->place] ?? '';
    }

    /** @param string $document after the edit; what was undone before it is gone */
    public function keep(string $document): void
    {
        $history = [...array_slice($this->history, 0, $this->place + 1), $document];
        $this->history = array_slice($history, -self::MOST_STEPS);
        $this->place = count($this->history) - 1;
    }

    protected function casts(): array
    {
        return ['history' => 'array'];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Fuel;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * @property int                  $id
 * @property int                  $company_id
 * @property int                  $site_id
 * @property string               $name
 * @property Application          $application
 * @property ?int                 $rating_a
 * @property ?int                 $poles
 * @property bool                 $service_rated
 * @property ?string              $test_disconnect  what the technician calls the device of the outage test, and where it is
 * @property ?string              $test_device      its reference on the one-line
 * @property ?Fuel                $fuel
 * @property array<string, float> $rated_kw         by fuel
 * @property string               $largest_motor_hp
 * @property bool                 $has_compressor
 * @property array<string, mixed> $plant            `system` of the timing rules
 * @property ?array<string, mixed> $survey          answers by question, lengths in metres
 * @property Site                 $site
 * @property ?Plan                $plan
 * @property ?Sheet               $sheet            the newest
 * @property ?Run                 $run              the newest
 * @property ?LoadTest            $loadTest         the newest
 * @property Collection<int, LoadTest> $closedLoadTests in the order of closing
 * @property ?Upkeep              $upkeep
 * @property Collection<int, LogEntry> $ownerReports that nobody has read yet
 * @property ?Circuit             $circuit          how its proof stands, without the circuit itself
 * @property Collection<int, LoadItem> $loads
 * @property Collection<int, Photo>    $photos
 * @property Collection<int, Sheet>    $sheets
 * @property Collection<int, Run>      $runs
 * @property Collection<int, PartProof> $proofs
 */
final class TransferSwitch extends Model
{
    use BelongsToCompany;
    use ChangesStatus;

    protected $table = 'switches';
    protected $guarded = [];

    public function noteStatusChange(): void
    {
        StatusChange::ofSite($this->site_id);
    }

    /** The switch with its row locked: everybody who writes to it, its loads, its plan or its sheets comes after. */
    public static function locked(int $id): self
    {
        $query = self::query();
        $query->lockForUpdate();

        return $query->findOrFail($id);
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    /** @return HasMany<LoadItem, $this> */
    public function loads(): HasMany
    {
        $relation = $this->hasMany(LoadItem::class, 'switch_id');
        $relation->orderBy('place');

        return $relation;
    }

    /** @return HasMany<Photo, $this> oldest first */
    public function photos(): HasMany
    {
        $relation = $this->hasMany(Photo::class, 'switch_id');
        $relation->orderBy('created_at')->orderBy('id');

        return $relation;
    }

    /** @return HasOne<Plan, $this> */
    public function plan(): HasOne
    {
        return $this->hasOne(Plan::class, 'switch_id');
    }

    /** @return HasMany<Sheet, $this> */
    public function sheets(): HasMany
    {
        $relation = $this->hasMany(Sheet::class, 'switch_id');
        $relation->orderByDesc('version');

        return $relation;
    }

    /** @return HasOne<Sheet, $this> */
    public function sheet(): HasOne
    {
        return $this->hasOne(Sheet::class, 'switch_id')->ofMany('version', 'max');
    }

    /** @return HasMany<Run, $this> that prove, the newest first */
    public function runs(): HasMany
    {
        $relation = $this->hasMany(Run::class, 'switch_id');
        $relation->where('purpose', Run::PROOF)->orderByDesc('id');

        return $relation;
    }

    /** @return HasMany<Run, $this> service visits, the newest first */
    public function services(): HasMany
    {
        $relation = $this->hasMany(Run::class, 'switch_id');
        $relation->where('purpose', Run::SERVICE)->orderByDesc('id');

        return $relation;
    }

    /** @return HasOne<Run, $this> the newest that proves */
    public function run(): HasOne
    {
        return $this->hasOne(Run::class, 'switch_id')->ofMany(
            ['id' => 'max'],
            static fn(Builder $query): Builder => $query->where('purpose', Run::PROOF),
        );
    }

    /** @return HasOne<LoadTest, $this> the newest */
    public function loadTest(): HasOne
    {
        return $this->hasOne(LoadTest::class, 'switch_id')->latestOfMany();
    }

    /** @return HasMany<LoadTest, $this> in the order of closing; their readings and results stay behind */
    public function closedLoadTests(): HasMany
    {
        $relation = $this->hasMany(LoadTest::class, 'switch_id');
        $relation->select(['id', 'company_id', 'switch_id', 'verdict', 'closed_at', 'closed_by', 'basis', 'top_pct'])
            ->whereNotNull('closed_at')->orderBy('closed_at');

        return $relation;
    }

    /** @return HasMany<LogEntry, $this> reports of the owner that nobody has read yet, the newest first */
    public function ownerReports(): HasMany
    {
        $relation = $this->hasMany(LogEntry::class, 'switch_id');
        $relation->where('source', 'owner')->whereNull('seen_at')->whereNull('struck_why')->orderByDesc('at');

        return $relation;
    }

    /** @return HasOne<Upkeep, $this> what is known for service and storm */
    public function upkeep(): HasOne
    {
        return $this->hasOne(Upkeep::class, 'switch_id');
    }

    /** @return HasOne<Circuit, $this> how its proof stands; the circuit and the proof are large and stay behind */
    public function circuit(): HasOne
    {
        $relation = $this->hasOne(Circuit::class, 'switch_id');
        $relation->select(['id', 'company_id', 'switch_id', 'proof_state', 'stops', 'warns', 'stamp', 'times']);

        return $relation;
    }

    /** @return HasMany<PartProof, $this> what signed runs said to the parts of a proof, in the order of signing */
    public function proofs(): HasMany
    {
        $relation = $this->hasMany(PartProof::class, 'switch_id');
        $relation->orderBy('proved_at')->orderBy('id');

        return $relation;
    }

    protected function casts(): array
    {
        return [
            'application' => Application::class, 'fuel' => Fuel::class, 'rated_kw' => 'array', 'plant' => 'array', 'survey' => 'array',
            'service_rated' => 'boolean', 'has_compressor' => 'boolean',
        ];
    }
}

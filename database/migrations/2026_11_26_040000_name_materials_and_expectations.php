<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    private const SIZES = [
        '14', '12', '10', '8', '6', '4', '3', '2', '1', '1/0', '2/0', '3/0', '4/0', '250', '300', '350', '400', '500', '600', '700', '750',
        '1.5', '2.5', '16', '25', '35', '50', '70', '95', '120', '150', '185', '240',
    ];
    private const TRADE_SIZES = ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2', '2-1/2', '3', '3-1/2', '4'];
    private const THINGS = [
        'material-strain-relief' => 'Strain relief for the cords',
        'material-tape' => 'Tape, white, red and green',
        'material-labels' => 'Labels: source, disconnect, what stays live',
        'material-ground-bar' => 'Ground bar with screws',
        'material-ferrules' => 'Ferrules or forks',
        'material-joint-compound' => 'Joint compound for aluminium',
        'material-duct-seal' => 'Duct seal',
        'tool-locks' => 'Locks, tags and hasp',
        'tool-cutter' => 'Cable cutter and stripper',
        'tool-knock-out' => 'Knock-out set',
        'tool-fish-tape' => 'Fish tape and pulling soap',
        'tool-paint-marker' => 'Paint marker',
        'gear-voltage-tester' => 'Voltage tester and proving unit',
        'gear-torque-tool' => 'Torque tool',
        'gear-multimeter' => 'Multimeter',
        'gear-clamp-meter' => 'Clamp meter',
        'gear-insulation-tester' => 'Insulation tester',
        'gear-rotation-meter' => 'Phase order meter',
        'gear-manometer' => 'Manometer',
        'gear-phone' => 'Phone, charged: the stopwatch',
        'form-instructions' => 'Maker\'s instructions of switch and generator',
        'form-permit' => 'Permit and the code edition in force',
        'form-hour-agreed' => 'The hour agreed with the utility or the owner upstream',
        'form-owner-told' => 'The owner has been told when it is dark',
        'form-paper' => 'Settings sheet and plan, printed',
    ];
    private const CONNECTORS = [
        'emt' => 'EMT connector',
        'rigid-hub' => 'Rigid hub, two locknuts',
        'pvc-adapter' => 'PVC terminal adapter, locknut',
        'liquid-tight' => 'Liquid-tight connector',
    ];
    private const RACEWAYS = ['emt' => 'EMT', 'rmc' => 'RMC', 'pvc40' => 'PVC 40', 'pvc80' => 'PVC 80', 'lfmc' => 'LFMC'];

    /**
     * A tick stood under the hash of the name that a person read; it stands under an id now. An answer keeps what its expectation
     * is, beside how it was worded.
     */
    public function up(): void
    {
        $this->renamed(array_flip($this->names()));
        Schema::table('step_answers', static function (Blueprint $table): void {
            $table->string('expected', 1000)->nullable()->comment(
                'what it was given to, as data; null: from before words and data were told apart',
            );
        });
    }

    public function down(): void
    {
        $this->renamed($this->names());
        Schema::table('step_answers', static fn(Blueprint $table) => $table->dropColumn('expected'));
    }

    /** @param array<string, string> $keys new by old */
    private function renamed(array $keys): void
    {
        foreach (DB::table('plans')->whereNotNull('pack')->get(['id', 'pack']) as $plan) {
            $pack = json_decode((string) $plan->pack, true);
            foreach (['ticks', 'calibrated'] as $list) {
                $kept = [];
                foreach ($pack[$list] ?? [] as $key => $value) {
                    $kept[$keys[$key] ?? $key] = $value;
                }
                if (isset($pack[$list])) {
                    $pack[$list] = $kept;
                }
            }
            DB::table('plans')->where('id', $plan->id)->update(['pack' => json_encode($pack, JSON_THROW_ON_ERROR)]);
        }
    }

    /** @return array<string, string> the old key of every thing there can be, by its new one */
    private function names(): array
    {
        $old = static fn(string $group, string $name): string => $group . '-' . substr(hash('sha256', $name), 0, 12);
        $slug = static fn(string $value): string => trim(
            (string) preg_replace('/[^a-z0-9]+/', '-', strtr(mb_strtolower($value), ['/' => 'over'])),
            '-',
        );
        $names = [];
        foreach (self::THINGS as $key => $name) {
            $names[$key] = $old(explode('-', $key)[0], $name);
        }
        foreach (self::SIZES as $size) {
            foreach (['cu' => 'copper', 'al' => 'aluminium'] as $metal => $word) {
                $names["material-conductor-{$slug($size)}-$metal"] = $old('material', "Conductor $size, $word");
                $names["material-grounding-conductor-{$slug($size)}-$metal"] = $old('material', "Grounding conductor $size, $word");
            }
        }
        foreach (self::TRADE_SIZES as $size) {
            foreach (self::RACEWAYS as $raceway => $word) {
                $names["material-raceway-$raceway-{$slug($size)}"] = $old('material', "$word, trade size $size");
            }
            foreach (self::CONNECTORS as $connector => $word) {
                $names["material-connector-$connector-{$slug($size)}"] = $old('material', "$word, trade size $size");
            }
            $names["material-bushing-{$slug($size)}"] = $old('material', "Insulating bushing, trade size $size");
        }
        foreach (['1/8', '5/32', '3/16', '7/32', '1/4', '5/16', '3/8', '1/2', '9/16'] as $socket) {
            $names["tool-hexagon-bit-{$slug($socket)}"] = $old('tool', "Hexagon bit $socket in");
        }

        return $names;
    }
};

<?php

declare(strict_types=1);

namespace App\Stage\Moving;

use App\Models\Company;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * All rows of one company, table by table, as they leave this machine: without passwords, hashes of links and what signs messages. Bytes
 * are `base64:…`; those of a picture are `sha256:…` of a file beside the rows.
 */
final readonly class CompanyRows
{
    public const SECRET = ['password', 'remember_token', 'token_hash', 'totp_secret', 'totp_step', 'recovery_codes', 'secret'];
    /** What is a company's by what it points to; the account of the application may not ask the database for that. */
    public const HANGING = [
        'photo_files' => ['point' => 'photo_id', 'at' => 'photos', 'key' => ['photo_id']],
        'guest_sites' => ['point' => 'user_id', 'at' => 'users', 'key' => ['user_id', 'site_id']],
    ];
    /** The bytes of a picture, each a file. */
    public const PICTURES = ['full', 'small'];
    private const OF_A_DEVICE = ['device_pins']; // good on one phone of this machine only
    private const HOW = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION;
    private const AT_ONCE = 200;
    private const PICTURES_AT_ONCE = 10; // half a megabyte each

    public function __construct(public Company $company) {}

    /** @return list<string> tables whose rows belong to a company, those that go with it when it is taken away */
    public static function tables(): array
    {
        return array_values(array_filter(
            Schema::getTableListing(Schema::getCurrentSchemaName(), schemaQualified: false),
            static fn(string $table): bool => Schema::hasColumn($table, 'company_id'),
        ));
    }

    /** @return list<string> tables that are exported, the company's own first */
    public static function exported(): array
    {
        return ['companies', ...array_values(array_diff(self::tables(), self::OF_A_DEVICE)), ...array_keys(self::HANGING)];
    }

    /** @return iterable<array<string, mixed>> rows of a table in a fixed order, with bytes as they are */
    public function of(string $table): iterable
    {
        if ($table === 'companies') {
            $query = DB::table($table)->where('id', $this->company->id)->orderBy('id');
        } elseif (isset(self::HANGING[$table])) {
            ['point' => $point, 'at' => $parent, 'key' => $key] = self::HANGING[$table];
            $query = DB::table($table)->whereIn($point, DB::table($parent)->where('company_id', $this->company->id)->select('id'));
            array_walk($key, static fn(string $part) => $query->orderBy($part)); // each row once: it is read in parts
        } else {
            $query = DB::table($table)->where('company_id', $this->company->id)->orderBy('id');
        }
        foreach ($query->lazy($table === 'photo_files' ? self::PICTURES_AT_ONCE : self::AT_ONCE) as $row) {
            yield array_diff_key(get_object_vars($row), array_flip(self::SECRET));
        }
    }

    /**
     * A row as one line of JSON.
     *
     * @param array<string, mixed> $row
     */
    public static function line(string $table, array $row): string
    {
        foreach ($row as $column => $value) {
            if (is_string($value)) {
                $row[$column] = match (true) {
                    $table === 'photo_files' && in_array($column, self::PICTURES, true) => 'sha256:' . hash('sha256', $value),
                    ! mb_check_encoding($value, 'UTF-8') || str_starts_with($value, 'base64:') => 'base64:' . base64_encode($value),
                    default => $value,
                };
            }
        }

        return json_encode($row, self::HOW) . "\n";
    }

    /**
     * Of all tables as they are in the database now: how many rows, and the hash of their lines.
     *
     * @return array<string, array{rows: int, sha256: string}>
     */
    public function sums(): array
    {
        $sums = [];
        foreach (self::exported() as $table) {
            $hash = hash_init('sha256');
            $rows = 0;
            foreach ($this->of($table) as $row) {
                hash_update($hash, self::line($table, $row));
                $rows++;
            }
            $sums[$table] = ['rows' => $rows, 'sha256' => hash_final($hash)];
        }

        return $sums;
    }
}

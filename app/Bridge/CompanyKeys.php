<?php

declare(strict_types=1);

namespace App\Bridge;

use Escapement\Core\Record\HeadSeal;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\File;

/**
 * The keys that seal the heads of records. They lie in a folder outside of the database, one file a company, so that access to the
 * database alone is not enough to seal. All nodes share the folder. A replaced key stays known, so that old seals can be read.
 */
final readonly class CompanyKeys
{
    public function seal(int $companyId, int $entries, string $head): HeadSeal
    {
        return HeadSeal::of($this->pair($companyId), $entries, $head);
    }

    /** The public key, base64; published so that an export can be checked. */
    public function public(int $companyId): string
    {
        return base64_encode(sodium_crypto_sign_publickey($this->pair($companyId)));
    }

    /**
     * What another machine needs to read the seals of a company.
     *
     * @return array{public: string, past: list<string>, born: string}
     */
    public function published(int $companyId): array
    {
        ['past' => $past, 'born' => $born] = $this->known($companyId);

        return ['public' => $this->public($companyId), 'past' => $past, 'born' => $born];
    }

    public function has(int $companyId): bool
    {
        return File::exists($this->path($companyId));
    }

    /**
     * For a company that came from another machine, where its key stays: a new key from here on, and the seals of before still hold.
     *
     * @param array{public: string, past: list<string>, born: string} $theirs
     */
    public function adopt(int $companyId, array $theirs): void
    {
        $this->write($companyId, [
            'pair' => base64_encode(sodium_crypto_sign_keypair()), 'born' => $theirs['born'],
            'past' => [...$theirs['past'], $theirs['public']],
        ]);
    }

    /** Why a seal does not hold; null when it does, or where there was no key yet when the record last grew. */
    public function fault(int $companyId, ?HeadSeal $seal, int $entries, string $head, string $grewAt): ?string
    {
        $known = $this->known($companyId);
        if ($seal === null) {
            return Carbon::parse($grewAt)->lessThan(Carbon::parse($known['born'])) ? null : 'The seal of the record is missing.';
        }
        if ($seal->key !== $this->public($companyId) && ! in_array($seal->key, $known['past'], true)) {
            return 'The record is sealed with a key that is not of this company.';
        }

        return $seal->fits($entries, $head) ? null : 'The seal does not fit the record: it was changed from outside.';
    }

    /** Another key from now on; what was sealed with the one before still holds. */
    public function replace(int $companyId): string
    {
        $known = $this->known($companyId);
        $this->write($companyId, [
            'pair' => base64_encode(sodium_crypto_sign_keypair()), 'born' => $known['born'],
            'past' => [...$known['past'], $this->public($companyId)],
        ]);

        return $this->public($companyId);
    }

    /** Of a company that is gone: its public half stands in what was exported. */
    public function forget(int $companyId): void
    {
        File::delete($this->path($companyId));
    }

    /** @return non-empty-string */
    private function pair(int $companyId): string
    {
        $pair = base64_decode($this->known($companyId)['pair'], true);

        return $pair === false || $pair === '' ? throw new \RuntimeException("The key of company $companyId cannot be read.") : $pair;
    }

    /** @return array{pair: string, born: string, past: list<string>} made where there is none */
    private function known(int $companyId): array
    {
        $path = $this->path($companyId);
        if (! File::exists($path)) {
            $this->begin($path);
        }
        /** @var array{pair: string, born: string, past: list<string>} */
        return json_decode(File::get($path), true, 8, JSON_THROW_ON_ERROR);
    }

    /** Two who begin it at once have one key: the second link fails, and the first file stands. */
    private function begin(string $path): void
    {
        File::ensureDirectoryExists(dirname($path), 0700);
        $draft = $path . '.' . bin2hex(random_bytes(6));
        File::put($draft, json_encode([
            'pair' => base64_encode(sodium_crypto_sign_keypair()), 'born' => Carbon::now()->toIso8601ZuluString('millisecond'),
            'past' => [],
        ], JSON_THROW_ON_ERROR));
        File::chmod($draft, 0600);
        @link($draft, $path);
        File::delete($draft);
    }

    /** @param array{pair: string, born: string, past: list<string>} $known */
    private function write(int $companyId, array $known): void
    {
        File::ensureDirectoryExists(dirname($this->path($companyId)), 0700);
        File::replace($this->path($companyId), json_encode($known, JSON_THROW_ON_ERROR), 0600);
    }

    private function path(int $companyId): string
    {
        $folder = config('app.keys');

        return (is_string($folder) ? $folder : storage_path('app/keys')) . "/company-$companyId.json";
    }
}

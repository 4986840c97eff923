<?php

declare(strict_types=1);

namespace App\Stage\Account\Pin;

use App\Models\DevicePin;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Str;

/** The phone or tablet at hand, told by a random cookie that outlives sessions; whose PINs are good on it. */
final readonly class Device
{
    private const COOKIE = 'escapement_device';
    private const KEPT_MINUTES = 60 * 24 * 365;

    private function __construct(private ?string $token) {}

    public static function of(Request $request): self
    {
        $token = $request->cookie(self::COOKIE);

        return new self(is_string($token) && strlen($token) === 40 ? $token : null);
    }

    /** The hash that PINs are kept under; the cookie is set with the answer where the device has none yet. */
    public function known(): string
    {
        $token = $this->token ?? Str::random(40);
        Cookie::queue(Cookie::make(
            self::COOKIE,
            $token,
            self::KEPT_MINUTES,
            secure: config()->boolean('session.secure'),
            httpOnly: true,
            sameSite: 'lax',
        ));

        return self::hash($token);
    }

    public function pinOf(User $user): ?DevicePin
    {
        return $this->pins($user->company_id)->firstWhere('user_id', $user->id);
    }

    /** @return Collection<int, DevicePin> of people of this company who may sign in, by name */
    public function pins(int $company): Collection
    {
        if ($this->token === null) {
            return new Collection();
        }
        $query = DevicePin::query()->withoutGlobalScope('company'); // a guest, too, hands the phone back
        $pins = $query->where('company_id', $company)->where('device_hash', self::hash($this->token))->with('user.company')->get();

        return $pins->filter(static fn(DevicePin $pin): bool => $pin->user->isHere())
            ->sortBy(static fn(DevicePin $pin): string => $pin->user->name)->values();
    }

    private static function hash(string $token): string
    {
        return hash('sha256', "device|$token");
    }
}

<?php

declare(strict_types=1);

namespace App\Stage;

use App\Models\User;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A picture as a device sends it, one at a time. Its id is made on the device, so that sending twice is once. */
final readonly class SentPhoto
{
    /** @param string $to what it belongs to, as the device names it; empty where the address does */
    private function __construct(
        public string $id,
        public string $to,
        public ?string $wall,
        public User $sender,
        public Picture $picture,
    ) {}

    /**
     * @param array<string, array{list<string>, string}> $belongs the field that names what it belongs to: its rules, and what is asked
     *
     * @throws HttpResponseException with 403 where another person made it, with 422 where it is no picture; both name the field
     */
    public static function of(Request $request, array $belongs = []): self
    {
        $name = array_key_first($belongs) ?? '';
        $fields = $request->validate(
            ['id' => ['required', 'uuid'], 'client_wall' => ['nullable', 'string', 'max:40'], 'maker' => ['nullable', 'integer'],
                'photo' => ['required', 'file', 'max:16384']] + array_map(static fn(array $one): array => $one[0], $belongs),
            ['photo.*' => 'A picture of up to 16 MB.', 'id.*' => 'This must be a UUID.', "$name.*" => $belongs[$name][1] ?? ''],
        );
        /** @var User $user */
        $user = $request->user();
        $stranger = Maker::fault($fields['maker'] ?? null, $user);
        if ($stranger !== null) {
            throw new HttpResponseException(self::refused($stranger[0], $stranger[1], 403));
        }
        $picture = Picture::of($fields['photo']) ?? throw new HttpResponseException(self::refused('photo', Picture::UNREADABLE));

        return new self($fields['id'], $fields[$name] ?? '', $fields['client_wall'] ?? null, $user, $picture);
    }

    public function kept(): JsonResponse
    {
        return response()->json(['kept' => $this->id]);
    }

    public static function refused(string $field, string $why, int $status = 422): JsonResponse
    {
        return response()->json(['error' => ['path' => "/$field", 'message' => $why]], $status);
    }
}

<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\LogbookBook;
use App\Stage\Maker;
use App\Stage\Once;
use App\Stage\SiteStanding;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Lines for the logbook from a phone that was without a network; each is kept once, and one that cannot be kept says why. */
final readonly class TakeEntries
{
    private const MOST = 200;

    public function __construct(private LogbookBook $book) {}

    public function __invoke(Request $request, TransferSwitch $switch): JsonResponse
    {
        $entries = $request->json('entries');
        if (! is_array($entries) || ! array_is_list($entries) || count($entries) > self::MOST) {
            return response()->json(['error' => ['path' => '/entries', 'message' => 'A list of up to 200 entries is needed.']], 422);
        }
        $switch->load(SiteStanding::NEEDS);
        /** @var User $user */
        $user = $request->user();
        $kept = $refused = [];
        foreach ($entries as $typed) {
            $typed = is_array($typed) ? $typed : [];
            $id = is_string($typed['id'] ?? null) ? $typed['id'] : null;
            try {
                $stranger = Maker::fault($typed['maker'] ?? null, $user);
                if ($stranger !== null) {
                    throw ValidationException::withMessages([$stranger[0] => $stranger[1]]);
                }
                Once::more(fn() => DB::transaction(function () use ($switch, $user, $typed): void {
                    TransferSwitch::locked($switch->id);
                    $this->book->write($switch, $user, (new TypedEntry($switch))->entry($typed, $user));
                }));
                $kept[] = (string) $id;
            } catch (ValidationException $fault) {
                $refused[] = ['id' => $id, 'message' => $fault->getMessage()];
            }
        }

        return response()->json(['kept' => $kept, 'refused' => $refused]);
    }
}

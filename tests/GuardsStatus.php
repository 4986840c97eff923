<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Site;
use App\Models\StatusChange;
use App\Stage\Board\StatusBook;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;

/**
 * After each write of a test: whatever changed where a site stands has said so. A write that goes past the models and forgets it would
 * leave the board as it was.
 */
trait GuardsStatus
{
    /**
     * @param string               $method
     * @param string               $uri
     * @param array<string, mixed> $parameters
     * @param array<string, mixed> $cookies
     * @param array<string, mixed> $files
     * @param array<string, mixed> $server
     * @param ?string              $content
     */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        $isGuarded = $method !== 'GET' && Auth::check();
        $before = $isGuarded ? $this->standings() : [];
        $lastChange = $isGuarded ? (int) StatusChange::query()->max('id') : 0;
        $answer = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        if ($isGuarded && Auth::check()) {
            $said = StatusChange::query()->where('id', '>', $lastChange)->pluck('site_id')->all();
            foreach ($this->standings() as $site => $rows) {
                if (isset($before[$site]) && ! in_array($site, $said, true)) {
                    self::assertSame($before[$site], $rows, "$method $uri changed where the site stands, and said nothing");
                }
            }
        }

        return $answer;
    }

    /** @return array<int, string> what would be kept of each site */
    private function standings(): array
    {
        $book = new StatusBook(Carbon::now());
        $standings = [];
        foreach (Site::query()->pluck('id')->all() as $id) {
            $standings[(int) $id] = json_encode($book->rows((int) $id), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT);
        }

        return $standings;
    }
}

<?php

declare(strict_types=1);

namespace Tests;

use App\Models\LoadTest;
use App\Models\TransferSwitch;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** Load tests of a set of 20 kW, on the afternoon of one day. */
trait MakesLoadTests
{
    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    private function ready(): TransferSwitch
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['fuel' => 'diesel', 'rated_kw' => ['diesel' => 20], 'rating_a' => 100]);
        Carbon::setTestNow('2026-11-26 15:00:00');

        return $switch;
    }

    private function begun(): LoadTest
    {
        $switch = $this->ready();
        $this->post("/switches/$switch->id/load-tests", ['profile' => 'custom', 'steps' => '50 × 20', 'bank_elements' => '5, 5'])
            ->assertSessionHasNoErrors();

        return LoadTest::query()->sole();
    }

    private function signed(): LoadTest
    {
        $test = $this->begun();
        $page = "/load-tests/$test->id";
        $readings = [$this->reading('14:00'), $this->reading('14:10'), $this->reading('14:20')];
        $this->postJson("$page/readings/batch", ['readings' => $readings, 'marks' => [$this->mark('step_up', '13:59', 50.0)]])->assertOk();
        $this->postJson("$page/readings/batch", ['readings' => [$this->reading('14:10')]])->assertOk(); // read twice: struck out
        $this->post("$page/photos", ['id' => (string) Str::uuid(), 'reading' => $readings[0]['id'], 'photo' => $this->picture()])
            ->assertOk();
        $this->post("$page/notes", ['text' => 'Warm day.'])->assertSessionHasNoErrors();
        $this->post("$page/close", ['name' => 'Ana Quist', 'signed_drawing' => 'M1 2L3 4'])->assertSessionHasNoErrors();
        $this->post("$page/notes", ['text' => 'The clamp was calibrated since.'])->assertSessionHasNoErrors();

        return $test->refresh();
    }

    /** @return array<string, mixed> */
    private function mark(string $kind, string $utc, ?float $level = null): array
    {
        return ['id' => (string) Str::uuid(), 'kind' => $kind, 'at' => "2026-11-26T$utc:00.000Z", 'level_pct' => $level];
    }

    /** @return array<string, mixed> */
    private function reading(string $utc): array
    {
        return [
            'id' => (string) Str::uuid(), 'taken_at' => "2026-11-26T$utc:00.000Z", 'v' => [120, 119.5], 'a' => [46, 45], 'hz' => 60,
            'kw' => 10.9,
            'oil' => 50, 'coolant' => 185,
        ];
    }

    private function picture(): UploadedFile
    {
        ob_start();
        imagejpeg(imagecreatetruecolor(40, 30));

        return UploadedFile::fake()->createWithContent('meter.jpg', (string) ob_get_clean());
    }
}

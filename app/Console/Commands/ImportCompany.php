<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use App\Stage\Moving\ArrivingCompany;
use App\Stage\Moving\CannotMove;
use Illuminate\Console\Command;

/** A company from another machine. Everybody in it needs a link for a new password. */
final class ImportCompany extends Command
{
    protected $signature = 'company:import {file : a ZIP of company:export}';
    protected $description = 'Take in a company that was exported on another machine, and prove that nothing is missing or changed.';

    public function handle(): int
    {
        $path = $this->argument('file');
        $zip = new \ZipArchive();
        if (! is_string($path) || $zip->open($path, \ZipArchive::RDONLY | \ZipArchive::CHECKCONS) !== true) {
            $this->error('This is no ZIP, or it is not whole.');

            return self::FAILURE;
        }
        try {
            $taken = (new ArrivingCompany($zip))->take();
        } catch (CannotMove $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        }
        $this->info("{$taken['company']->name} is here: {$taken['rows']} rows, each table as it was exported, {$taken['records']} records "
            . 'whole.');
        $this->line('Passwords, owners\' links, calendar feeds and secrets of webhooks did not travel. For each person:');
        foreach (User::query()->where('company_id', $taken['company']->id)->whereNull('left_at')->orderBy('id')->pluck('email') as $email) {
            $this->line('  php artisan person:reset ' . (is_string($email) ? $email : ''));
        }

        return self::SUCCESS;
    }
}

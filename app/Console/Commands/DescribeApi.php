<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Stage\Api\Description;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

final class DescribeApi extends Command
{
    protected $signature = 'api:describe';
    protected $description = 'Print the API as OpenAPI 3.1, as /api/v1/openapi.json has it.';

    public function handle(): int
    {
        $this->output->writeln(json_encode(
            Description::document(),
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
        ), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}

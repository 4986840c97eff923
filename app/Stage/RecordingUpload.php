<?php

declare(strict_types=1);

namespace App\Stage;

use Escapement\Core\Recording\CombinedFile;
use Escapement\Core\Recording\ComtradeConfig;
use Escapement\Core\Recording\ComtradeData;
use Escapement\Core\Recording\CsvColumns;
use Escapement\Core\Recording\CsvTable;
use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Recording\RmsCycles;
use Escapement\Core\Recording\RmsSteps;
use Escapement\Core\Recording\SampleSink;
use Escapement\Core\Recording\Series;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

/** The uploaded files of one recording: a table, a .cff, or a .cfg with its .dat. */
final readonly class RecordingUpload
{
    private const MOST_BYTES = 48_000_000;
    private const PIECE_BYTES = 262_144;

    private function __construct(
        public string $name,
        private ?UploadedFile $table,
        private ?ComtradeConfig $config,
        private ?UploadedFile $data,
        private ?string $dataBytes,
    ) {}

    /** @return list<UploadedFile> of the field */
    public static function files(Request $request, string $field = 'files'): array
    {
        $files = $request->file($field);

        return array_values(array_filter(
            is_array($files) ? $files : [$files],
            static fn(mixed $file): bool => $file instanceof UploadedFile,
        ));
    }

    /**
     * @param list<UploadedFile> $files
     * @param bool               $isHead only the beginnings of the files were sent, to see what is in them
     *
     * @throws RecordingFault
     */
    public static function of(array $files, bool $isHead = false): self
    {
        $byEnding = [];
        foreach ($files as $file) {
            if (! $file->isValid()) {
                throw RecordingFault::whole($file->getErrorMessage());
            }
            if ($file->getSize() > self::MOST_BYTES) {
                throw RecordingFault::whole($file->getClientOriginalName() . ' is larger than 48 MB. Cut it into shorter recordings.');
            }
            $byEnding[strtolower($file->getClientOriginalExtension())] = $file;
        }
        $name = mb_substr(
            mb_scrub(($files[0] ?? throw RecordingFault::whole('Choose the file or files of a recording.'))->getClientOriginalName()),
            0,
            120,
        );
        if (isset($byEnding['cff'])) {
            $bytes = $byEnding['cff']->getContent();
            if ($isHead) { // the data is not all there yet, and is not asked for
                $bytes = (string) preg_replace('/^(--- file type: DAT \w+).*$/m', '$1 ---', $bytes, 1);
            }
            $parts = CombinedFile::split($bytes);

            return new self($name, null, ComtradeConfig::parse($parts->config), null, $parts->data);
        }
        if (isset($byEnding['cfg']) || isset($byEnding['dat'])) {
            $config = $byEnding['cfg'] ?? throw RecordingFault::whole('The .dat needs its .cfg: choose both files together.');
            if (! $isHead && ! isset($byEnding['dat'])) {
                throw RecordingFault::whole('The .cfg needs its .dat: choose both files together.');
            }

            return new self($name, null, ComtradeConfig::parse($config->getContent()), $byEnding['dat'] ?? null, null);
        }

        return new self($name, $files[0], null, null, null);
    }

    public function config(): ?ComtradeConfig
    {
        return $this->config;
    }

    public function table(): CsvTable
    {
        $stream = fopen($this->table?->getRealPath() ?: '', 'rb') ?: throw RecordingFault::whole('The file cannot be read.');
        $start = (string) fread($stream, 20_000);
        fclose($stream);

        return CsvTable::look($start);
    }

    /** @return list<int> the voltage channels, in their order, or the first ones where none says that it is a voltage */
    public function voltages(int $phases): array
    {
        $channels = $this->config->analog ?? [];
        $volts = array_keys(array_filter($channels, static fn($channel): bool => $channel->isVoltage()));

        return array_slice($volts === [] ? array_keys($channels) : $volts, 0, $phases);
    }

    public function hertz(): ?int
    {
        foreach ($this->config->analog ?? [] as $place => $channel) {
            if ($channel->isHertz()) {
                return $place;
            }
        }

        return null;
    }

    /** @throws RecordingFault */
    public function read(CsvColumns $columns, int $phases, float $nominalV, float $nominalHz): Series
    {
        $sink = static fn(bool $isWaveform): SampleSink => $isWaveform
            ? new RmsCycles($phases, $nominalHz, $nominalV)
            : new RmsSteps($phases);
        if ($this->config === null) {
            return $this->table()->read($this->pieces($this->table), $columns, $sink($columns->isWaveform));
        }
        foreach ([...$columns->phases, ...($columns->hertz === null ? [] : [$columns->hertz])] as $place) {
            if (! isset($this->config->analog[$place])) {
                throw RecordingFault::whole("There is no analog channel $place in this recording.");
            }
        }
        $pieces = $this->dataBytes === null ? $this->pieces($this->data) : str_split($this->dataBytes, self::PIECE_BYTES);

        return (new ComtradeData($this->config, $columns->phases, $columns->hertz, $columns->scale))->read(
            $pieces,
            $sink($this->config->isWaveform()),
        );
    }

    /**
     * Power out of the same file, as a series of one figure; null where no column has it.
     *
     * @throws RecordingFault
     */
    public function power(CsvColumns $columns, ?int $kw, float $scale): ?Series
    {
        return $kw === null || $columns->isWaveform || $this->config?->isWaveform() === true ? null
            : $this->read(new CsvColumns($columns->time, $columns->unit, [$kw], null, $scale), 1, 1.0, 1.0);
    }

    /** @return \Generator<string> the table in pieces */
    public function tablePieces(): \Generator
    {
        return $this->pieces($this->table);
    }

    /** @return \Generator<string> */
    private function pieces(?UploadedFile $file): \Generator
    {
        $stream = fopen($file?->getRealPath() ?: '', 'rb') ?: throw RecordingFault::whole('The file cannot be read.');
        try {
            while (($piece = fread($stream, self::PIECE_BYTES)) !== false && $piece !== '') {
                yield $piece;
            }
        } finally {
            fclose($stream);
        }
    }
}

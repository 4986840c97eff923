<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use Illuminate\Support\MessageBag;

/** The figures that somebody typed into a row of a script; what is none is named at its field. */
final readonly class TypedRow
{
    private const MOST_S = 31_536_000;

    /** @var array<string, mixed> the fields of its kind */
    private array $fields;

    public function __construct(private ScriptRow $row, private MessageBag $errors)
    {
        $this->fields = $row->fields();
    }

    public function has(string $field): bool
    {
        return isset($this->fields[$field]);
    }

    public function text(string $field): string
    {
        return $this->row->typed[$field] ?? '';
    }

    public function fault(string $field, string $why): void
    {
        $this->errors->add("b.{$this->row->place}.$field", $why);
    }

    /** Milliseconds of typed seconds; 0 where they are none. */
    public function ms(string $field): int
    {
        $text = $this->figure($field);
        if (! self::isWithin($text, self::MOST_S)) {
            $this->fault($field, 'From 0 to 31 536 000 s; "' . mb_substr($text, 0, 20) . '" is not.');

            return 0;
        }

        return (int) round((float) $text * 1000);
    }

    /** Null where the kind has no such field, or it was left blank. */
    public function maybeMs(string $field): ?int
    {
        return $this->has($field) && $this->text($field) !== '' ? $this->ms($field) : null;
    }

    /** Null where the kind has no such field; 0 where it is no number. */
    public function maybeNumber(string $field, float $most): null|int|float
    {
        if (! $this->has($field)) {
            return null;
        }
        $text = $this->figure($field);
        if (! self::isWithin($text, $most)) {
            $this->fault($field, "A number from 0 to $most; \"" . mb_substr($text, 0, 20) . '" is not.');

            return 0;
        }

        return self::number($text);
    }

    /** @return list<int|float> one a phase, 0 where they are no volts */
    public function volts(int $phases): array
    {
        $texts = array_map(static fn(string $text): string => str_replace(',', '.', trim($text)), explode('/', $this->text('v')));
        $isGood = in_array(count($texts), [1, $phases], true)
            && array_filter($texts, static fn(string $text): bool => ! self::isWithin($text, 1_000_000)) === [];
        if (! $isGood) {
            $this->fault('v', $phases === 1 ? 'Volts from 0.' : "Volts from 0: one for all, or $phases with / between.");

            return array_fill(0, $phases, 0);
        }
        $volts = array_map(self::number(...), $texts);

        return count($volts) === $phases ? $volts : array_fill(0, $phases, $volts[0]);
    }

    private function figure(string $field): string
    {
        return str_replace(',', '.', $this->text($field));
    }

    private static function isWithin(string $text, float $most): bool
    {
        return is_numeric($text) && (float) $text >= 0 && (float) $text <= $most;
    }

    private static function number(string $text): int|float
    {
        return floor((float) $text) === (float) $text ? (int) $text : (float) $text;
    }
}

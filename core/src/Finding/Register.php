<?php

declare(strict_types=1);

namespace Escapement\Core\Finding;

/** Every finding that the core can raise, by its id. The texts stand in core/data/findings, a file a family, and nowhere else. */
final class Register
{
    /** @var null|array<string, RegisteredFinding> */
    private static ?array $all = null;
    /** @var null|array<string, non-empty-list<string>> */
    private static ?array $rules = null;
    /** @var null|array<string, string> */
    private static ?array $references = null;

    /** @return array<string, RegisteredFinding> by rule and id, as in `torque/torque-low` */
    public static function all(): array
    {
        return self::$all ??= self::read();
    }

    /** @param string $id with its rule before it where two rules have the same, as in `torque/torque-low` */
    public static function entry(string $id): RegisteredFinding
    {
        if (str_contains($id, '/')) {
            return self::all()[$id] ?? throw new \LogicException("The finding $id is not in the register.");
        }
        $rules = self::rules()[$id] ?? [];

        return count($rules) === 1 ? self::all()["$rules[0]/$id"] : throw new \LogicException(count($rules) . " findings are called $id.");
    }

    /**
     * @param array<string, int|float|string|null> $figures  named in its texts
     * @param list<string|int>                     $subjects what it is about
     * @param ?Severity                            $severity where the rule has another than the usual one
     * @param ?string                              $at       the element of a one-line that it stands at
     * @param ?string                              $atName   what a person calls that element
     * @param ?string                              $path     JSON Pointer of the setting it is about
     * @param null|array<string, mixed>            $fix      JSON Merge Patch of the settings that clears it
     */
    public static function finding(
        string $id,
        array $figures = [],
        array $subjects = [],
        ?Severity $severity = null,
        ?string $at = null,
        ?string $atName = null,
        ?string $path = null,
        ?array $fix = null,
    ): Finding {
        $entry = self::entry($id);
        $severity ??= $entry->severities[0];
        if (! in_array($severity, $entry->severities, true)) {
            throw new \LogicException("The register has no $severity->value for $id.");
        }
        $title = rtrim(RegisteredFinding::filled($entry->title, $figures), '.');
        // A title with {which} names its subjects in words.
        $isNamed = $subjects === [] || isset($figures['which']) || str_contains($title, (string) $subjects[0]);
        $places = $isNamed ? '' : ' (' . implode(', ', array_slice($subjects, 0, 8)) . ')';

        return new Finding(
            $entry->id,
            $severity,
            $title . ($at === null ? '' : ': ' . ($atName ?? $at)) . "$places.",
            trim(RegisteredFinding::filled($entry->reason, $figures) . ' ' . RegisteredFinding::filled($entry->action, $figures)),
            $path,
            $fix,
            $subjects,
            $at,
        );
    }

    /** Where the codes speak of it, to be confirmed in the edition in force; null where no article is named. */
    public static function reference(string $id): ?string
    {
        if (self::$references === null) {
            /** @var array<string, string> $read */
            $read = require __DIR__ . '/../../data/references.php';
            self::$references = $read;
        }

        return self::$references[$id] ?? null;
    }

    /** @return array<string, non-empty-list<string>> the rules that have a finding of that id */
    private static function rules(): array
    {
        if (self::$rules === null) {
            foreach (self::all() as $entry) {
                self::$rules[$entry->id][] = $entry->rule;
            }
        }

        return self::$rules ?? [];
    }

    /** @return array<string, RegisteredFinding> */
    private static function read(): array
    {
        $all = [];
        /** @var array<string, array<string, array{string, string, string, string}>> $families by heading of the rules, then by id */
        $families = require __DIR__ . '/../../data/findings.php';
        foreach ($families as $rule => $family) {
            foreach ($family as $id => [$severities, $title, $reason, $action]) {
                $severities = array_map(Severity::from(...), explode(' ', $severities));
                $all["$rule/$id"] = new RegisteredFinding($id, $severities, $title, $reason, $action, $rule);
            }
        }

        return $all;
    }
}

<?php

declare(strict_types=1);

namespace Escapement\Core\Finding;

/**
 * One entry of the register: what a finding says wherever it is raised.
 *
 * Texts may name figures: `{lowest_v:%.1f}` is the parameter lowest_v in that format, `{name}` a text. A part in [square
 * brackets] is left out when a figure named in it is null.
 */
final readonly class RegisteredFinding
{
    /**
     * @param non-empty-list<Severity> $severities the usual one first; others where the rule has them
     * @param string                   $reason     why it matters
     * @param string                   $action     what to do about it; empty where the title already says it
     * @param string                   $rule       a heading in docs/rules.md
     */
    public function __construct(
        public string $id,
        public array $severities,
        public string $title,
        public string $reason,
        public string $action,
        public string $rule,
    ) {}

    /** @return array{id: string, severities: list<string>, title: string, reason: string, action: string, rule: string} */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'severities' => array_map(static fn(Severity $severity): string => $severity->value, $this->severities),
            'title' => $this->title,
            'reason' => $this->reason,
            'action' => $this->action,
            'rule' => "docs/rules.md#$this->rule",
        ];
    }

    /**
     * A text of this entry with its figures in place.
     *
     * @param array<string, int|float|string|null> $figures
     */
    public static function filled(string $text, array $figures): string
    {
        $text = (string) preg_replace_callback(
            '/\[([^\]]*)\]/',
            static fn(array $part): string => self::namesNothing($part[1], $figures) ? '' : $part[1],
            $text,
        );

        return trim((string) preg_replace_callback('/\{(\w+)(?::([^}]+))?\}/', static function (array $named) use ($figures): string {
            $figure = $figures[$named[1]] ?? throw new \LogicException("The figure $named[1] is missing.");

            return isset($named[2]) ? sprintf($named[2], $figure) : (string) $figure;
        }, $text));
    }

    /** @param array<string, int|float|string|null> $figures */
    private static function namesNothing(string $part, array $figures): bool
    {
        preg_match_all('/\{(\w+)/', $part, $names);

        return array_filter($names[1], static fn(string $name): bool => ($figures[$name] ?? null) === null) !== [];
    }
}

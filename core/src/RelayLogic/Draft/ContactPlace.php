<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Draft;

use Escapement\Core\RelayLogic\Expression;

/** One contact of a rung, and what may be put beside it: in series or in parallel, so that nothing ever hangs in the air. */
final readonly class ContactPlace
{
    /** @param list<int> $path from the whole rung to the contact, part by part */
    private function __construct(private Expression $whole, private array $path) {}

    /** @return ?self where the rung has no contact of this number, depth first from 0 */
    public static function of(Expression $whole, int $place): ?self
    {
        $path = self::paths($whole, [])[$place] ?? null;

        return $path === null ? null : new self($whole, $path);
    }

    public function contact(): Expression
    {
        return self::get($this->whole, $this->path);
    }

    /** How many parts follow in the same series, this one counted. */
    public function seriesFrom(): int
    {
        $above = $this->above();

        return $above !== null && $above->kind === 'all' ? count($above->parts) - $this->index() : 1;
    }

    public function before(Expression $contact): Expression
    {
        return $this->replaced(Expression::series([$contact, $this->contact()]));
    }

    public function after(Expression $contact): Expression
    {
        return $this->replaced(Expression::series([$this->contact(), $contact]));
    }

    public function aroundAll(Expression $contact): Expression
    {
        return self::tidy(Expression::parallel([$this->whole, $contact]));
    }

    /** In parallel with so many parts of the series, from this one on. */
    public function across(int $span, Expression $contact): Expression
    {
        $above = $this->above();
        if ($span === 1 || $above === null) {
            return $this->replaced(Expression::parallel([$this->contact(), $contact]));
        }
        $parts = $above->parts;
        $bridged = Expression::series(array_slice($parts, $this->index(), $span));
        array_splice($parts, $this->index(), $span, [Expression::parallel([$bridged, $contact])]);

        return self::tidy(self::put($this->whole, array_slice($this->path, 0, -1), Expression::series(array_values($parts))));
    }

    public function replaced(Expression $by): Expression
    {
        return self::tidy(self::put($this->whole, $this->path, $by));
    }

    /** Without it; a rung without a contact is open, so its coil never has current. */
    public function removed(): Expression
    {
        $above = $this->above();
        if ($above === null) {
            return Expression::parallel([]);
        }
        $parts = $above->parts;
        array_splice($parts, $this->index(), 1);

        return self::tidy(self::put($this->whole, array_slice($this->path, 0, -1), $above->of(array_values($parts))));
    }

    private function above(): ?Expression
    {
        return $this->path === [] ? null : self::get($this->whole, array_slice($this->path, 0, -1));
    }

    private function index(): int
    {
        return $this->path === [] ? 0 : $this->path[count($this->path) - 1];
    }

    /**
     * @param list<int> $here
     *
     * @return list<list<int>>
     */
    private static function paths(Expression $part, array $here): array
    {
        if ($part->contact !== null) {
            return [$here];
        }
        $paths = [];
        foreach ($part->parts as $i => $one) {
            array_push($paths, ...self::paths($one, [...$here, $i]));
        }

        return $paths;
    }

    /** @param list<int> $path */
    private static function get(Expression $part, array $path): Expression
    {
        foreach ($path as $i) {
            $part = $part->parts[$i];
        }

        return $part;
    }

    /** @param list<int> $path */
    private static function put(Expression $part, array $path, Expression $value): Expression
    {
        if ($path === []) {
            return $value;
        }
        $parts = $part->parts;
        $i = array_shift($path);
        $parts[$i] = self::put($parts[$i], $path, $value);

        return $part->of(array_values($parts));
    }

    /** A list inside a list of its kind becomes one list; a list of one becomes the one. */
    private static function tidy(Expression $part): Expression
    {
        if ($part->contact !== null) {
            return $part;
        }
        $parts = [];
        foreach ($part->parts as $one) {
            $one = self::tidy($one);
            array_push($parts, ...$one->kind === $part->kind ? $one->parts : [$one]);
        }

        return count($parts) === 1 ? $parts[0] : $part->of($parts);
    }
}

<?php

declare(strict_types=1);

namespace App\Http;

use Escapement\Core\Settings\TypedTime;
use Illuminate\Support\Arr;
use Illuminate\Validation\Validator;

/**
 * Numbers as people write them, on every form alike: 3,5 is 3.5. "1,200" may be either and is refused by its rule. A field with
 * the rule `seconds` takes a time as TypedTime reads it.
 */
final class NumberValidator extends Validator
{
    public function passes(): bool
    {
        foreach ($this->rules as $attribute => $rules) {
            $names = array_filter((array) $rules, is_string(...));
            $value = Arr::get($this->data, $attribute);
            if (! is_string($value)) {
                continue;
            }
            if (in_array('seconds', $names, true)) {
                $ms = TypedTime::ms($value);
                Arr::set($this->data, $attribute, $ms === null ? $value : (string) ($ms / 1000));
            } elseif (array_intersect(['numeric', 'integer'], $names) !== [] && preg_match(
                '/^\s*-?\d+,(?!\d{3}\s*$)\d+\s*$/',
                $value,
            ) === 1) {
                Arr::set($this->data, $attribute, str_replace(',', '.', trim($value)));
            }
        }

        return parent::passes();
    }

    /**
     * What is no text is like nothing else, and is refused as what it is by another rule.
     *
     * @param string       $attribute
     * @param mixed        $value
     * @param list<string> $parameters
     */
    public function validateDistinct($attribute, $value, $parameters): bool
    {
        return ! is_scalar($value) || parent::validateDistinct($attribute, $value, $parameters);
    }

    /**
     * @param string $attribute
     *
     * @return array<string, scalar>
     */
    protected function getDistinctValues($attribute): array
    {
        return array_filter(parent::getDistinctValues($attribute), is_scalar(...));
    }

    /** A time that could not be read is still a text here. */
    public function validateSeconds(string $attribute, mixed $value): bool
    {
        return is_numeric($value);
    }
}

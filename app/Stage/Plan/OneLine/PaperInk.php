<?php

declare(strict_types=1);

namespace App\Stage\Plan\OneLine;

use Symfony\Component\CssSelector\CssSelectorConverter;

/**
 * The rules of the paper's style sheet written onto each element of a drawing: the PDF's renderer reads no more of a
 * style sheet than single classes. The sheet is our own, its rules stand from the general to the special.
 */
final readonly class PaperInk
{
    private const INHERITED = ['font-family', 'background'];

    public static function on(string $svg, string $css): string
    {
        $drawing = new \DOMDocument();
        $drawing->loadXML($svg, LIBXML_NONET);
        $xpath = new \DOMXPath($drawing);
        $selectors = new CssSelectorConverter(false);
        /** @var \SplObjectStorage<\DOMElement, array<string, string>> $styles */
        $styles = new \SplObjectStorage();
        preg_match_all('/([^{}]+)\{([^{}]*)\}/', $css, $rules, PREG_SET_ORDER);
        foreach ($rules as [, $selector, $body]) {
            $properties = [];
            foreach (explode(';', $body) as $pair) {
                [$name, $value] = explode(':', $pair) + [1 => ''];
                if (! in_array(trim($name), self::INHERITED, true)) {
                    $properties[trim($name)] = trim($value);
                }
            }
            foreach ($xpath->query($selectors->toXPath(trim($selector))) ?: [] as $element) {
                if ($element instanceof \DOMElement) {
                    $styles[$element] = $properties + ($styles->offsetExists($element) ? $styles[$element] : []);
                }
            }
        }
        foreach ($styles as $element) {
            foreach ($styles[$element] as $name => $value) {
                $element->setAttribute($name, $value);
            }
        }
        $root = $drawing->documentElement ?? throw new \LogicException('a drawing has a root');
        $root->setAttribute('xmlns', 'http://www.w3.org/2000/svg');

        return (string) $drawing->saveXML($root);
    }
}

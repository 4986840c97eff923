<?php

declare(strict_types=1);
use PhpCsFixer\Config;
use PhpCsFixer\Finder;

return (new Config())
    ->setRiskyAllowed(true)
    ->setRules([
        '@PER-CS2.0' => true,
        'declare_strict_types' => true,
        'no_unused_imports' => true,
        'ordered_imports' => true,
        'single_quote' => true,
        'not_operator_with_successor_space' => true,
        'fully_qualified_strict_types' => ['import_symbols' => true, 'leading_backslash_in_global_namespace' => true],
        'trailing_comma_in_multiline' => ['elements' => ['arguments', 'arrays', 'match', 'parameters']],
        'phpdoc_align' => false,
        'single_line_empty_body' => true,
    ])
    ->setCacheFile('var/php-cs-fixer.cache')
    ->setFinder(Finder::create()
        ->in([
            __DIR__ . '/app',
            __DIR__ . '/bench',
            __DIR__ . '/bootstrap',
            __DIR__ . '/compat',
            __DIR__ . '/config',
            __DIR__ . '/core',
            __DIR__ . '/database',
            __DIR__ . '/routes',
            __DIR__ . '/tests',
        ])
        ->exclude('cache')
        ->append([__DIR__ . '/artisan', __DIR__ . '/bin/escapement', __DIR__ . '/public/index.php', __FILE__]));

<?php

declare(strict_types=1);

return (new PhpCsFixer\Config())
    ->registerCustomFixers([new KeenMargin\Tools\format\JoinedLinesFixer()])
    ->setRiskyAllowed(true)
    ->setCacheFile(__DIR__.'/var/php-cs-fixer.cache')
    ->setRules([
        '@Symfony' => true,
        '@Symfony:risky' => true,
        'declare_strict_types' => true,
        'phpdoc_to_comment' => false,
        'phpdoc_align' => ['align' => 'left'],
        'concat_space' => ['spacing' => 'none'],
        'single_line_throw' => false,
        'single_line_empty_body' => true,
        'KeenMargin/joined_lines' => true,
    ])
    ->setFinder(
        PhpCsFixer\Finder::create()
            ->in(array_map(
                static fn (string $folder): string => __DIR__."/$folder",
                ['core', 'app', 'tests', 'demo', 'tools', 'migrations', 'bench'],
            ))
            ->notPath(['Scene/advance-widths.php', 'Scene/fallback-widths.php'])
            ->exclude('node_modules'),
    );

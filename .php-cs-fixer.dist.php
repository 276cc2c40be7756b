<?php

declare(strict_types=1);

return (new PhpCsFixer\Config())
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
    ])
    ->setFinder(PhpCsFixer\Finder::create()->in([__DIR__.'/core', __DIR__.'/app', __DIR__.'/tests', __DIR__.'/demo', __DIR__.'/tools', __DIR__.'/migrations', __DIR__.'/bench'])->notPath(['Scene/advance-widths.php', 'Scene/fallback-widths.php'])->exclude('node_modules'));

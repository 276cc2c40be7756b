<?php

declare(strict_types=1);

/*
 * `./keen workings` and `./keen draw`. Loads only the classes it meets; no framework is booted.
 */

spl_autoload_register(static function (string $class): void {
    foreach (
        [
            'KeenMargin\\Core\\' => '/core/',
            'KeenMargin\\App\\' => '/app/',
            'Brick\\Math\\' => '/vendor/brick/math/src/',
        ]
        as $prefix => $folder
    ) {
        if (str_starts_with($class, $prefix)) {
            require dirname(__DIR__) . $folder . strtr(substr($class, strlen($prefix)), '\\', '/') . '.php';

            return;
        }
    }
    if (str_starts_with($class, 'TCPDF')) {
        // One file brings all of its classes along.
        require_once dirname(__DIR__) . '/vendor/tecnickcom/tcpdf/tcpdf.php';
    }
});

exit((new KeenMargin\App\CommandLine\FigureCommands(dirname(__DIR__) . '/assets/fonts'))->run(array_slice($argv, 1)));

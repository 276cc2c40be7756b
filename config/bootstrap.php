<?php

declare(strict_types=1);

use KeenMargin\App\Kernel;
use Symfony\Component\Dotenv\Dotenv;

require dirname(__DIR__).'/vendor/autoload.php';

// PHP's built-in server does not put the environment where Symfony looks for it.
$_ENV += getenv();
(new Dotenv())->bootEnv(dirname(__DIR__).'/.env', 'prod');

return new Kernel($_SERVER['APP_ENV'], (bool) $_SERVER['APP_DEBUG']);

<?php

declare(strict_types=1);

use Symfony\Component\HttpFoundation\Request;

/* Front controller, and router script of PHP's built-in server. */

$kernel = require dirname(__DIR__) . '/config/bootstrap.php';
header_remove('X-Powered-By');
// The built-in server names a built file here where one exists; the application answers it, with its headers.
$_SERVER['SCRIPT_NAME'] = '/index.php';
$_SERVER['SCRIPT_FILENAME'] = __FILE__;
unset($_SERVER['PATH_INFO']);
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);

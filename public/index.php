<?php

declare(strict_types=1);

use Symfony\Component\HttpFoundation\Request;

/* Front controller, and router script of PHP's built-in server. */

$kernel = require dirname(__DIR__).'/config/bootstrap.php';
header_remove('X-Powered-By');
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);

<?php

/*
 * Stands in for symfony/polyfill-php85, which the package registry does not hold.
 * Symfony 7.4 calls this one function of it. Remove once the polyfill or PHP 8.5 is available.
 */

if (!function_exists('get_error_handler')) {
    function get_error_handler(): ?callable
    {
        $handler = set_error_handler(null);
        restore_error_handler();

        return $handler;
    }
}

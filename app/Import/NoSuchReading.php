<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

/** What was given is no name of a reading. */
final class NoSuchReading extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('There is no such reading.');
    }
}

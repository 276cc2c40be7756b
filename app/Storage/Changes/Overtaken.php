<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Changes;

/** Somebody else has changed the dataset since the change was planned. */
final class Overtaken extends \RuntimeException
{
}

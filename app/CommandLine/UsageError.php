<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

/** What was typed cannot be carried out; its message says what would be right. */
final class UsageError extends \InvalidArgumentException
{
}

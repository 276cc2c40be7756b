<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

/** The arguments of a command are wrong; the message says what would be right. */
final class UsageError extends \InvalidArgumentException {}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

/** A backup that cannot be brought back, or not to where it is wanted. */
final class NotRestored extends \RuntimeException {}

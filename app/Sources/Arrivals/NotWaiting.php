<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

/** An arrival that cannot be decided any more. */
final class NotWaiting extends \RuntimeException {}

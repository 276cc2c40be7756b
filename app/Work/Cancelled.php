<?php

declare(strict_types=1);

namespace KeenMargin\App\Work;

/** Somebody called the work off, or began it anew with other answers. */
final class Cancelled extends \RuntimeException {}

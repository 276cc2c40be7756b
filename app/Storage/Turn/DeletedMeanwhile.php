<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Turn;

/** What was to be changed was deleted before its turn came. */
final class DeletedMeanwhile extends \RuntimeException {}

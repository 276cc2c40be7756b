<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

/** A second process ended before it had told all that it had promised. */
final class SecondProcessLost extends \RuntimeException {}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

/** How a target is marked at its height. */
enum TargetMark: string
{
    case Tick = 'tick';
    case Dot = 'dot';
}

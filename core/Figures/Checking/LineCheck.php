<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

/** A check that looks at every line once and then says what it found. */
interface LineCheck
{
    public function look(CheckedSeries $line): void;

    public function finding(): CheckFinding;
}

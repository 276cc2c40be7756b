<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind;

use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** How a question is drawn: workings in, scene out. */
interface ChartKind
{
    /** The recipe's id of the kind. */
    public function id(): string;

    public function name(): string;

    /** The group by the question that it answers: `Against`, `Why` … */
    public function group(): string;

    /** One line for a reader who chooses among kinds. */
    public function says(): string;

    public function scene(Workings $workings, Finish $finish): Scene;
}

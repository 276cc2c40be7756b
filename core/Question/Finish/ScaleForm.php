<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

/** What the rows of a chart share where each has a target of its own. */
enum ScaleForm: string
{
    /** one length per unit for all */
    case Shared = 'shared';
    /** each row is as long as there is room */
    case Own = 'own';
    /** lengths are in percent of each row's target */
    case Target = 'target';
}

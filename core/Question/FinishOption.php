<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

/** Parts of a finish that not every kind has a use for, by their keys in the recipe. */
enum FinishOption: string
{
    case LabelsAt = 'labelsAt';
    case Variance = 'variance';
    case SameLength = 'sameLength';
    case Gap = 'gap';
    case Mark = 'mark';
    case Limit = 'limit';
    case Cut = 'cut';
    case Turn = 'turn';
    case Steps = 'steps';
    case StepLabels = 'stepLabels';
    case Dots = 'dots';
    case Ends = 'ends';
    case Scale = 'scale';
}

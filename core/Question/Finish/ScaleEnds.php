<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Shape\Key;

/** Where a scale begins and ends, in the measure's own unit; null: as it is found from the numbers. */
final readonly class ScaleEnds
{
    /** @throws NotAccepted where the scale would not end above where it begins */
    public function __construct(
        #[Key('where the scale begins')] public ?BigDecimal $from = null,
        #[Key('where it ends')] public ?BigDecimal $to = null,
    ) {
        if (null !== $from && true === $to?->isLessThanOrEqualTo($from)) {
            throw new NotAccepted('to', "\"$to\" is not accepted; give more than where the scale begins.");
        }
    }
}

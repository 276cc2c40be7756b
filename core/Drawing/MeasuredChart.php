<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** A drawn chart with the numbers that its lengths stand for. */
final readonly class MeasuredChart
{
    public function __construct(private Scene $scene, private Workings $workings) {}

    /** @return array<string, float> points per unit, by scale */
    public function perUnit(): array
    {
        return ScaleCheck::perUnit($this->scene, $this->workings->table);
    }

    /** What its amounts count: `EUR`, `% points`. */
    public function counted(): string
    {
        return $this->workings->context->display->counted();
    }
}

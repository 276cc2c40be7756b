<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Scene\Text;

/** A number that wants to stand beside its mark: as written at each level of brevity, the fullest first. */
final readonly class TierLabel
{
    /**
     * @param non-empty-list<Text> $forms
     * @param float                $size  of the amount, by which extremes are found
     */
    public function __construct(public array $forms, public float $size)
    {
    }

    public function form(int $level): Text
    {
        return $this->forms[min($level, \count($this->forms) - 1)];
    }
}

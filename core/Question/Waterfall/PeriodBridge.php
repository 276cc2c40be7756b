<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Waterfall;

use KeenMargin\Core\Time\Span;

/** A bridge from what one span of time had to what another one has: 2025 → 2026. */
final readonly class PeriodBridge
{
    /** How recipes write that the first span is the second one, a year before. */
    public const YEAR_BEFORE = 'a year before';

    /** @param ?Span $from null: the same as `to`, one year before */
    public function __construct(public ?Span $from, public Span $to) {}
}

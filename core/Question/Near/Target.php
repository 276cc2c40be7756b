<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Scenario;

/** What a value is to reach: a number, the same measure of another scenario, or another measure. */
final readonly class Target
{
    private function __construct(public ?BigDecimal $number, public ?Scenario $scenario, public ?string $measure)
    {
    }

    public static function number(BigDecimal $number): self
    {
        return new self($number, null, null);
    }

    public static function scenario(Scenario $scenario): self
    {
        return new self(null, $scenario, null);
    }

    /** @param string $measure by its name */
    public static function measure(string $measure): self
    {
        return new self(null, null, $measure);
    }
}

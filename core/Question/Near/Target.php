<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Scenario;

/** What a value is to reach: a number, the same measure of another scenario, another measure, or the sum of all. */
final readonly class Target
{
    private function __construct(
        public ?BigDecimal $number,
        public ?Scenario $scenario,
        public ?string $measure,
        public bool $isTotal = false,
    ) {}

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

    /** The sum of all rows, so that progress is a share of it. */
    public static function total(): self
    {
        return new self(null, null, null, true);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Series;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Filter\NumberFilter;

/** Keeps those amounts of a series beside which, at the same members and period, another measure lies within limits. */
final class BesideFilter
{
    /** @var array<string, array<string, string>> packed amounts of the other measure by scenario key and members */
    private array $beside = [];

    /** @param non-negative-int $decimals of the other measure */
    public function __construct(private readonly NumberFilter $filter, private readonly int $decimals) {}

    /** @param string $members any key of them that is the same for both measures */
    public function put(string $scenario, string $members, string $packed): void
    {
        $this->beside[$scenario][$members] = $packed;
    }

    /** @param string $actual key of the scenario that counts where the other measure has none of the series' own */
    public function kept(string $scenario, string $actual, string $members, string $packed): string
    {
        $other = $this->beside[$scenario][$members] ?? ($this->beside[$actual][$members] ?? null);
        if (null === $other) {
            return '';
        }
        $numbers = PackedAmounts::unpack($other);
        $kept = [];
        foreach (PackedAmounts::unpack($packed) as $start => $amount) {
            if (
                isset($numbers[$start])
                && $this->filter->lets(BigDecimal::ofUnscaledValue($numbers[$start], $this->decimals))
            ) {
                $kept[$start] = $amount;
            }
        }

        return [] === $kept ? '' : PackedAmounts::pack($kept);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;

/** What is shown of a row in each period of the span: worked out once somebody asks, as of many rows few are drawn. */
final class Trend
{
    /** @var ?list<?BigDecimal> null: nobody has asked */
    private ?array $amounts = null;

    /** @param \Closure(): list<?BigDecimal> $work */
    public function __construct(private readonly \Closure $work) {}

    /** @return list<?BigDecimal> by period; null where there is no figure */
    public function amounts(): array
    {
        return $this->amounts ??= ($this->work)();
    }

    /** Null where no period has a figure. */
    public function last(): ?BigDecimal
    {
        foreach (array_reverse($this->amounts()) as $amount) {
            if (null !== $amount) {
                return $amount;
            }
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Keeping;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;

/** One amount that several series make up, as some of their members count as one: its own series first. */
final readonly class CellParts
{
    /**
     * @param non-empty-array<string, ?int> $parts unscaled amounts by series
     * @param non-negative-int $decimals of them
     */
    public function __construct(private array $parts, private int $decimals) {}

    public function amount(): ?BigDecimal
    {
        $known = array_filter($this->parts, static fn (?int $part): bool => null !== $part);

        return [] === $known ? null : BigDecimal::ofUnscaledValue(array_sum($known), $this->decimals);
    }

    public function is(?BigDecimal $amount): bool
    {
        $own = $this->amount();

        return null === $own || null === $amount ? $own === $amount : $own->isEqualTo($amount);
    }

    /**
     * The first series takes the whole amount, the others give way.
     *
     * @param non-negative-int $decimals that the amounts have from now on, no fewer than before
     *
     * @return array<string, array{was: ?int, is: ?int}> unscaled, by series that change
     */
    public function set(?BigDecimal $amount, int $decimals): array
    {
        $changes = [];
        $is = $amount?->toScale($decimals, RoundingMode::Unnecessary)->getUnscaledValue()->toInt();
        foreach ($this->parts as $series => $part) {
            $was =
                null === $part
                    ? null
                    : BigDecimal::ofUnscaledValue($part, $this->decimals)
                        ->toScale($decimals)
                        ->getUnscaledValue()
                        ->toInt();
            if ($was !== $is) {
                $changes[$series] = ['was' => $was, 'is' => $is];
            }
            $is = null;
        }

        return $changes;
    }
}

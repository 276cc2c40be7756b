<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Near\BandForm;
use KeenMargin\Core\Question\Near\Bands;

/** The bands of one row in the measure's own unit: which one a value falls in. */
final readonly class BandScale
{
    private const WHOLE = 100;
    /** Name of the band above percentages that end below the target, where the others were named. */
    private const ABOVE = 'at target';
    /** Usual names from the worst band to the best, by how many there are. */
    private const NAMES = [
        2 => ['poor', 'good'],
        3 => ['poor', 'fair', 'good'],
        4 => ['poor', 'fair', 'good', 'excellent'],
        5 => ['poor', 'weak', 'fair', 'good', 'excellent'],
    ];

    /**
     * @param non-empty-list<BigDecimal> $limits upper ones, rising
     * @param non-empty-list<string> $names from the lowest band up; one more than limits: the last is open above
     */
    private function __construct(public array $limits, public array $names, private Better $better) {}

    /**
     * @param ?BigDecimal $target of the row, which limits in percent are of
     *
     * @return ?self null where limits are in percent of a target that is missing or not above zero. Percentages that
     *               end below the target are open above
     */
    public static function maybe(Bands $bands, Better $better, ?BigDecimal $target): ?self
    {
        $limits = $bands->limits;
        $count = $bands->count();
        $given = $bands->names;
        if (BandForm::PercentOfTarget === $bands->form) {
            if (null === $target || $target->getSign() <= 0) {
                return null;
            }
            $limits = array_map(
                static fn (BigDecimal $percent): BigDecimal => $percent
                    ->multipliedBy($target)
                    ->dividedBy(100, $percent->getScale() + $target->getScale() + 2, RoundingMode::Unnecessary)
                    ->strippedOfTrailingZeros(),
                $limits,
            );
            $isOpen = $bands->limits[\count($bands->limits) - 1]->isLessThan(self::WHOLE);
            if ($isOpen && $count === \count($limits)) {
                ++$count;
                $given = [] === $given ? [] : [...$given, self::ABOVE];
            }
        }

        return new self($limits, self::names($given, $count, $better), $better);
    }

    /**
     * Bands that came with the figures.
     *
     * @param list<string> $names
     * @param list<?BigDecimal> $limits
     *
     * @return ?self null where there are none, one is missing, or they do not rise
     */
    public static function given(array $names, array $limits, Better $better): ?self
    {
        $kept = [];
        foreach ($limits as $limit) {
            $before = $kept[\count($kept) - 1] ?? null;
            if (null === $limit || (null !== $before && $limit->isLessThanOrEqualTo($before))) {
                return null;
            }
            $kept[] = $limit;
        }

        return [] === $kept || [] === $names ? null : new self($kept, $names, $better);
    }

    /**
     * The band of a value, from 0 for the lowest. A value on a limit belongs to the better band; below the first limit
     * is the first band, above the last limit the last.
     */
    public function place(BigDecimal|Fraction $value): int
    {
        $last = \count($this->names) - 1;
        foreach ($this->limits as $place => $limit) {
            $order = $value->compareTo($limit);
            if ($order < 0 || (0 === $order && Better::Less === $this->better)) {
                return min($place, $last);
            }
        }

        return $last;
    }

    /** The name of the band that a value falls in. */
    public function name(BigDecimal|Fraction $value): string
    {
        return $this->names[$this->place($value)];
    }

    /** Whether a value lies above the last limit of bands that end there. */
    public function isPast(BigDecimal|Fraction $value): bool
    {
        return !$this->isOpen() && $value->compareTo($this->limits[\count($this->limits) - 1]) > 0;
    }

    /** Whether the last band has no upper limit. */
    public function isOpen(): bool
    {
        return \count($this->names) > \count($this->limits);
    }

    /** How good a band is, from 0 for the worst. */
    public function quality(int $place): int
    {
        return Better::More === $this->better ? $place : \count($this->names) - 1 - $place;
    }

    /** Whether the limits and names are the same, so that one strip serves both. */
    public function isLike(self $other): bool
    {
        $equal = static fn (BigDecimal $a, BigDecimal $b): bool => $a->isEqualTo($b);

        return $this->names === $other->names
            && \count($this->limits) === \count($other->limits)
            && !\in_array(false, array_map($equal, $this->limits, $other->limits), true);
    }

    /**
     * @param list<string> $names as told; none: the usual ones
     *
     * @return non-empty-list<string>
     */
    private static function names(array $names, int $count, Better $better): array
    {
        if ([] !== $names) {
            return $names;
        }
        $usual = self::NAMES[$count] ?? self::NAMES[Bands::MOST];

        return Better::More === $better ? $usual : array_reverse($usual);
    }
}

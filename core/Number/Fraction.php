<?php

declare(strict_types=1);

namespace KeenMargin\Core\Number;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;

/**
 * An exact quotient of two decimals, never reduced: of averages, rates and what differs between them. It is rounded
 * once, where it is written. (Reducing is what makes general rational numbers slow, and nothing here needs it.).
 */
final readonly class Fraction
{
    /** @param BigDecimal $denominator above zero */
    private function __construct(public BigDecimal $numerator, public BigDecimal $denominator) {}

    /**
     * A decimal over another one.
     *
     * @throws \DomainException where the denominator is zero
     */
    public static function of(BigDecimal $numerator, BigDecimal $denominator): self
    {
        return match ($denominator->getSign()) {
            0 => throw new \DomainException('Nothing can be divided by zero.'),
            1 => new self($numerator, $denominator),
            -1 => new self($numerator->negated(), $denominator->negated()),
        };
    }

    /** The same number as a fraction. */
    public static function from(BigDecimal|self $number): self
    {
        return $number instanceof self ? $number : new self($number, BigDecimal::one());
    }

    public function plus(BigDecimal|self $other): self
    {
        $other = self::from($other);
        if ($this->denominator->isEqualTo($other->denominator)) {
            return new self($this->numerator->plus($other->numerator), $this->denominator);
        }
        $sum = $this->numerator
            ->multipliedBy($other->denominator)
            ->plus($other->numerator->multipliedBy($this->denominator));

        return new self($sum, $this->denominator->multipliedBy($other->denominator));
    }

    public function minus(BigDecimal|self $other): self
    {
        return $this->plus(self::from($other)->negated());
    }

    public function negated(): self
    {
        return new self($this->numerator->negated(), $this->denominator);
    }

    public function abs(): self
    {
        return new self($this->numerator->abs(), $this->denominator);
    }

    public function multipliedBy(BigDecimal|int $factor): self
    {
        return new self($this->numerator->multipliedBy($factor), $this->denominator);
    }

    public function getSign(): int
    {
        return $this->numerator->getSign();
    }

    public function isZero(): bool
    {
        return $this->numerator->isZero();
    }

    /** @return int -1, 0 or 1 */
    public function compareTo(BigDecimal|self $other): int
    {
        return $this->minus($other)->getSign();
    }

    public function isEqualTo(BigDecimal|self $other): bool
    {
        return 0 === $this->compareTo($other);
    }

    /**
     * In percent of the size of another number that is not zero.
     *
     * @param non-negative-int $decimals half away from zero
     */
    public function percentOf(BigDecimal|self $base, int $decimals): BigDecimal
    {
        $base = self::from($base)->abs();
        $part = $this->numerator->multipliedBy(100)->multipliedBy($base->denominator);

        return $part->dividedBy($this->denominator->multipliedBy($base->numerator), $decimals, RoundingMode::HalfUp);
    }

    /** @param non-negative-int $decimals half away from zero */
    public function rounded(int $decimals): BigDecimal
    {
        return Decimals::quotient($this->numerator, $this->denominator, $decimals);
    }
}

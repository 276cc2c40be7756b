<?php

declare(strict_types=1);

namespace KeenMargin\Core\Number;

use Brick\Math\BigDecimal;

/**
 * Writes numbers for readers: rounded half away from zero, grouped, with a true minus sign.
 */
final readonly class NumberFormat
{
    public const MINUS = "\u{2212}";
    public const NONE = "\u{2013}";
    private const FIXED_SPACE = "\u{00A0}";

    private function __construct(private string $group, private string $point) {}

    /** @param 'en'|'de'|'fr' $locale `1,234.5`, `1.234,5`, `1 234,5` */
    public static function of(string $locale): self
    {
        return match ($locale) {
            'en' => new self(',', '.'),
            'de' => new self('.', ','),
            'fr' => new self(self::FIXED_SPACE, ','),
        };
    }

    /** `2,000,000`, `0.5`: with all digits that it came with, as it stands in a sentence of the interface. */
    public static function exactly(BigDecimal $number): string
    {
        $stripped = $number->strippedOfTrailingZeros();

        return self::of('en')->plain($stripped, max(0, $stripped->getScale()));
    }

    /** @param non-negative-int $decimals */
    public function plain(?BigDecimal $amount, int $decimals, Unit $unit = Unit::One): string
    {
        return null === $amount
            ? self::NONE
            : $this->write(Decimals::rounded($amount, $unit->exponent(), $decimals), $decimals, '');
    }

    /**
     * `+12`, `−12`, `0`: what rounds to nothing bears no sign.
     *
     * @param non-negative-int $decimals
     */
    public function signed(?BigDecimal $amount, int $decimals, Unit $unit = Unit::One): string
    {
        return null === $amount
            ? self::NONE
            : $this->write(Decimals::rounded($amount, $unit->exponent(), $decimals), $decimals, '+');
    }

    /** A written number without its sign, where a word says it. */
    public static function unsigned(string $written): string
    {
        return str_starts_with($written, '+')
            ? substr($written, 1)
            : (str_starts_with($written, self::MINUS) ? substr($written, \strlen(self::MINUS)) : $written);
    }

    /** Whether a written number is nought, as far as it is written. */
    public static function isNought(string $written): bool
    {
        return false === strpbrk($written, '123456789') && str_contains($written, '0');
    }

    /** @param string $rounded digits without the decimal sign */
    private function write(string $rounded, int $decimals, string $plus): string
    {
        $digits = str_pad(ltrim($rounded, '-'), $decimals + 1, '0', \STR_PAD_LEFT);
        $whole = $decimals > 0 ? substr($digits, 0, -$decimals) : $digits;
        for ($i = \strlen($whole) - 3, $grouped = $whole; $i > 0; $i -= 3) {
            $grouped = substr($grouped, 0, $i).$this->group.substr($grouped, $i);
        }
        $sign = match (true) {
            '-' === $rounded[0] => self::MINUS,
            '' === trim($rounded, '0') => '',
            default => $plus,
        };

        return $sign.$grouped.($decimals > 0 ? $this->point.substr($digits, -$decimals) : '');
    }
}

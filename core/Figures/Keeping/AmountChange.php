<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Keeping;

/** One amount of a series changed by hand: what stood there, with its import, and what stands there now. */
final readonly class AmountChange
{
    /** @param ?int $is none: cleared */
    public function __construct(public int $start, public ?int $was, public ?int $wasImport, public ?int $is) {}

    /** The same change where amounts have so many more decimals. */
    public function scaled(int $power): self
    {
        $factor = 10 ** $power;

        return new self(
            $this->start, self::times($this->was, $factor), $this->wasImport, self::times($this->is, $factor),
        );
    }

    private static function times(?int $amount, int|float $factor): ?int
    {
        $scaled = null === $amount ? null : $amount * $factor;

        return null === $scaled || \is_int($scaled)
            ? $scaled
            : throw new \OverflowException('The amount has too many digits.');
    }
}

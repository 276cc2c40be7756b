<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Keeping;

use KeenMargin\Core\Figures\Series\PackedAmounts;

/** The amounts of one series and the import that each came with, by period start. */
final readonly class Run
{
    /**
     * @param array<int, int> $amounts
     * @param array<int, int> $imports for the same periods
     */
    public function __construct(public array $amounts = [], public array $imports = []) {}

    /** @param string $imports packed as amounts are; where all came with one import, its number alone */
    public static function unpack(string $amounts, string $imports): self
    {
        $known = PackedAmounts::unpack($amounts);
        if (8 === \strlen($imports)) {
            return new self($known, array_fill_keys(array_keys($known), PackedAmounts::first($imports)));
        }

        return new self($known, PackedAmounts::unpack($imports));
    }

    /** @return array{string, string} amounts and imports */
    public function pack(): array
    {
        $different = array_unique($this->imports);

        return [
            PackedAmounts::pack($this->amounts),
            1 === \count($different) ? pack('q', reset($different)) : PackedAmounts::pack($this->imports),
        ];
    }

    public function has(int $start): bool
    {
        return isset($this->amounts[$start]);
    }

    public function with(int $start, int $amount, int $import): self
    {
        return new self([$start => $amount] + $this->amounts, [$start => $import] + $this->imports);
    }

    public function without(int $start): self
    {
        return new self(array_diff_key($this->amounts, [$start => 0]), array_diff_key($this->imports, [$start => 0]));
    }

    /** This run with one period as it is in another: the same amount, or none. */
    public function like(self $other, int $start): self
    {
        return $other->has($start)
            ? $this->with($start, $other->amounts[$start], $other->imports[$start])
            : $this->without($start);
    }
}

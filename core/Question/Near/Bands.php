<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Near;

use Brick\Math\BigDecimal;

/**
 * Bands that a value may fall in, from the lowest up. With one name more than numbers the last band is open above.
 */
final readonly class Bands
{
    public const LEAST = 2;
    public const MOST = 5;

    /** @var non-empty-list<BigDecimal> upper limits; of `percentOfTarget` in percent */
    public array $limits;

    /**
     * @param non-empty-list<BigDecimal> $numbers as they were given
     * @param list<string> $names from the lowest band up; none: the usual ones
     *
     * @throws BandsDoNotRise
     */
    public function __construct(public BandForm $form, public array $numbers, public array $names = [])
    {
        $limits = [];
        $limit = BigDecimal::zero();
        foreach ($numbers as $place => $number) {
            $before = $limit;
            $limit = BandForm::Increments === $form ? $limit->plus($number) : $number;
            if (($place > 0 || BandForm::Increments === $form) && $limit->isLessThanOrEqualTo($before)) {
                throw new BandsDoNotRise($place, $limit, $before);
            }
            $limits[] = $limit;
        }
        $this->limits = $limits;
    }

    /** How many bands there are. */
    public function count(): int
    {
        return max(\count($this->numbers), \count($this->names));
    }
}

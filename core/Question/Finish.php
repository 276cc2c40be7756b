<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Number\Unit;

/** What only changes the looks. */
final readonly class Finish
{
    public const NARROWEST = 360;
    public const WIDEST = 1920;

    /**
     * @param ?Unit          $unit     none: the one that fits the largest amount
     * @param ?int           $decimals none: as many as the unit asks for
     * @param int            $width    in points
     * @param 'en'|'de'|'fr' $locale
     */
    public function __construct(
        public ?Unit $unit = null,
        public ?int $decimals = null,
        public Labels $labels = Labels::All,
        public int $width = 880,
        public string $locale = 'en',
    ) {
    }

    public function wide(int $width): self
    {
        return new self($this->unit, $this->decimals, $this->labels, max(self::NARROWEST, min(self::WIDEST, $width)), $this->locale);
    }
}

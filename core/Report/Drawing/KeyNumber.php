<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

use Brick\Math\BigDecimal;

/** A key figure, written out. */
final readonly class KeyNumber
{
    /**
     * @param string $id of the key figure
     * @param string $amount `–` where there is none
     * @param string $variance with its sign; blank where nothing is compared
     * @param ?string $effect `favourable`, `unfavourable`, `neutral`; null: nothing is compared
     * @param list<?BigDecimal> $trend of the last twelve periods to the closing period
     * @param ?string $trouble why there is no number; null: there is one
     */
    public function __construct(
        public string $id,
        public string $label,
        public string $amount,
        public string $variance = '',
        public ?string $effect = null,
        public array $trend = [],
        public ?string $trouble = null,
    ) {}
}

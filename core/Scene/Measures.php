<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** Which number of its row a mark's length stands for, so that it can be checked. */
final readonly class Measures
{
    /**
     * @param string $column id of a column of the workings: `shown`, `BU`, `variance:BU`, `percent:BU`
     * @param bool $isCut whether a piece of the length is taken out, the same of all that are cut
     * @param bool $isHorizontal whether the length runs from left to right; else from bottom to top
     */
    public function __construct(
        public Scale $scale,
        public string $column,
        public bool $isCut = false,
        public bool $isHorizontal = false,
    ) {}

    public function horizontally(): self
    {
        return new self($this->scale, $this->column, $this->isCut, true);
    }
}

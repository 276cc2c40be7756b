<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** Where a long scene may be cut into pages, and what is repeated on each of them. */
final readonly class Paging
{
    /**
     * @param float $headTop where what is repeated begins, in points from the top, as all heights here
     * @param float $headBottom where it ends, and the first row begins
     * @param list<float> $breaks tops of rows at which a page may begin, rising
     */
    public function __construct(public float $headTop, public float $headBottom, public array $breaks) {}

    /**
     * Pages of a height: which part of the scene each shows below its head. The first has what stands above the head.
     *
     * @param float $bottom of the scene
     *
     * @return non-empty-list<array{float, float}> from, to
     */
    public function pages(float $height, float $bottom): array
    {
        $pages = [];
        $from = 0.0;
        $room = $height;
        $last = null;
        foreach ([...$this->breaks, $bottom] as $at) {
            if ($at - $from > $room && null !== $last && $last > $from) {
                $pages[] = [$from, $last];
                $from = $last;
                $room = $height - ($this->headBottom - $this->headTop);
            }
            $last = $at;
        }
        $pages[] = [$from, $bottom];

        return $pages;
    }
}

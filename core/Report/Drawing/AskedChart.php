<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Recipe;

/** The question of a block, with what its page is about over it. */
final readonly class AskedChart
{
    /**
     * @param string $dataset as the report names it
     * @param Recipe $own as the block has it
     * @param Recipe $recipe as it is asked on the page
     * @param list<string> $cannot what of the page it cannot follow, as sentences
     */
    public function __construct(
        public string $dataset,
        public Figures $figures,
        public Recipe $own,
        public Recipe $recipe,
        public array $cannot,
    ) {}
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\About;

use KeenMargin\Core\Question\Recipe;

/** A change of the chart that a reader makes at one of its rows. */
final readonly class RowChange
{
    /**
     * @param string $id what it does: `open`, `close`, `subtotal`, `gather`, `role`
     * @param string $key pressed in the row's menu; blank: none
     */
    public function __construct(public string $id, public string $label, public string $key, public Recipe $recipe) {}
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Figures\Dataset;

/** The registry of kinds, as far as questions and recipes need it. */
interface Kinds
{
    /** @throws \InvalidArgumentException where there is no such kind */
    public function of(string $id): Kind;

    /** The kind that every question can be drawn as. */
    public function first(): Kind;

    /** The kind that a dataset is met with. */
    public function firstFor(Dataset $dataset): Kind;

    /** @return non-empty-list<string> in their order */
    public function ids(): array;
}

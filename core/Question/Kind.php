<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\VarianceForm;

/** What questions and recipes need to know of a kind. */
interface Kind
{
    /** As recipes write it: `variance-tiers`. */
    public function id(): string;

    /** A sentence about what the figures lack for it; null where they can answer it. */
    public function lacks(Dataset $dataset): ?string;

    /** Whether the figures ask for it before all others: a list that says its start and end is a waterfall. */
    public function isFirstFor(Dataset $dataset): bool;

    /** The kind's own question, as near as can be to another's. Keeps also what it has no use for. */
    public function adapted(Question $question, Dataset $dataset): Question;

    /**
     * Refuses a question that it cannot ask of the dataset.
     *
     * @throws NotAccepted
     */
    public function insist(Question $question, Dataset $dataset): void;

    /** @return list<string> keys of the question, as recipes write them, that it cannot do without */
    public function required(): array;

    /** Which rows it can have. */
    public function rows(Question $question): RowChoices;

    /** The parts of the question's sentence that are its own. */
    public function words(Question $question, Measure $measure): QuestionWords;

    /** @return list<string> keys of Finish that only some kinds have a use for, and it has */
    public function options(): array;

    /** How it writes variances unless the finish says otherwise; null where it writes none. */
    public function usualVariance(): ?VarianceForm;
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Question\Finish\Finish;

/** Question, kind and finish: all that a chart is. */
final readonly class Recipe
{
    public const VERSION = 1;

    /** @param ?Given $figures how its file is to be read, where the recipe says so */
    public function __construct(
        public Question $question,
        public Kind $kind,
        public Finish $finish = new Finish(),
        public ?Given $figures = null,
    ) {}

    public function wide(int $width): self
    {
        return new self($this->question, $this->kind, $this->finish->wide($width), $this->figures);
    }

    /** As a picture among others, which has room for the chart and its title only. */
    public function small(int $width): self
    {
        return new self($this->question, $this->kind, $this->finish->bare()->wide($width), $this->figures);
    }

    public function finished(Finish $finish): self
    {
        return new self($this->question, $this->kind, $finish, $this->figures);
    }

    public function asking(Question $question): self
    {
        return new self($question, $this->kind, $this->finish, $this->figures);
    }
}

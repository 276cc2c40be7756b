<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Figures\Series\MemoizedFigures;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Recipe;

/** Figures and recipes that a report refers to, each read once, also where several states of it are drawn. */
final class OpenedCharts
{
    /** @var array<string, MemoizedFigures> by dataset */
    private array $figures = [];
    /** @var array<string, Recipe> by dataset and document */
    private array $recipes = [];

    public function __construct(public readonly Library $library, public readonly ChartKinds $kinds) {}

    /**
     * @param string $dataset as the report names it
     *
     * @throws NotAccepted where there is none
     */
    public function figures(string $dataset): MemoizedFigures
    {
        return $this->figures[$dataset] ??= new MemoizedFigures($this->library->figures($dataset));
    }

    /**
     * @param array<string, mixed> $document
     *
     * @throws NotAccepted where it is no recipe, or its dataset is gone
     */
    public function recipe(array $document, string $dataset): Recipe
    {
        $key = $dataset."\n".json_encode($document, \JSON_THROW_ON_ERROR);

        return $this->recipes[$key] ??= RecipeReader::read(
            Given::kept($document), $this->kinds, $this->figures($dataset)->dataset()->calendar,
        );
    }
}

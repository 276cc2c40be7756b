<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Check;
use KeenMargin\Core\Workings\Reckoning;
use KeenMargin\Core\Workings\Workings;

/** The whole way of a figure: recipe and figures in, workings and scene out. */
final readonly class Drawing
{
    private function __construct(public Workings $workings, public Scene $scene, private Check $scale)
    {
    }

    public static function of(Recipe $recipe, Figures $figures, ChartKinds $kinds): self
    {
        $workings = Reckoning::of($recipe, $figures);
        $scene = $kinds->of($recipe->kind)->scene($workings, $recipe->finish);

        return new self($workings, $scene, ScaleCheck::of($scene, $workings, $recipe->finish->sameLength));
    }

    /** @return list<Check> of the numbers and of their drawing */
    public function checks(): array
    {
        return [...$this->workings->checks, $this->scale];
    }
}

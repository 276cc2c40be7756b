<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Series\MemoizedFigures;
use KeenMargin\Core\Kind\CapacityFill\CapacityWorkings;
use KeenMargin\Core\Kind\Hat\HatWorkings;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Comparison\ComparisonWorkings;
use KeenMargin\Core\Workings\Result\Workings;

/** From a recipe and figures to the workings that its kind asks for. */
final class Reckoning
{
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $figures = new MemoizedFigures($figures);

        return match ($recipe->kind) {
            'hat' => HatWorkings::of($recipe, $figures),
            'capacity-fill' => CapacityWorkings::of($recipe, $figures),
            default => ComparisonWorkings::of($recipe, $figures),
        };
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Recipe;

/** From a recipe and figures to the workings that its kind asks for. */
final class Reckoning
{
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $figures = new AskedOnce($figures);

        return match ($recipe->kind) {
            'hat' => HatWorkings::of($recipe, $figures),
            'capacity-fill' => CapacityWorkings::of($recipe, $figures),
            default => ComparisonWorkings::of($recipe, $figures),
        };
    }
}

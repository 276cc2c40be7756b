<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use KeenMargin\Core\Question\Recipe;

/** The year of months that came without one: from the recipe's own periods, else the file's name, else this year. */
final class YearHint
{
    public static function of(Recipe $recipe, string $fileName): int
    {
        $told = $recipe->question->span->from ?? $recipe->question->closedThrough;

        return $told?->yearNumber() ?? self::ofName($fileName);
    }

    public static function ofName(string $fileName): int
    {
        return 1 === preg_match('/(?<!\d)(19|20|21)\d{2}(?!\d)/', $fileName, $year) ? (int) $year[0] : (int) date('Y');
    }
}

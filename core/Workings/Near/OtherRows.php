<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Near\Goal;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Comparison\ComparisonWorkings;
use KeenMargin\Core\Workings\Result\Row;

/** What is shown of another measure in the same rows: targets, goals and limits of bands that came as columns. */
final class OtherRows
{
    /**
     * @return array<string, Row> by the ids of rows' keys
     *
     * @throws NotAccepted
     */
    public static function of(Recipe $recipe, string $measure, Figures $figures): array
    {
        $asked = self::asking($recipe, [
            'measure' => $measure,
            'goal' => new Goal(),
            'against' => [],
            'landing' => false,
            'order' => null,
            'top' => null,
            'sequence' => [],
        ]);
        $rows = [];
        foreach (ComparisonWorkings::of($asked, $figures)->table->rows as $row) {
            $rows[$row->key->id] = $row;
        }

        return $rows;
    }

    /** @param array<string, mixed> $parts of the question */
    public static function asking(Recipe $recipe, array $parts): Recipe
    {
        return With::of($recipe, ['question' => With::of($recipe->question, $parts)]);
    }
}

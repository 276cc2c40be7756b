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
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/** What is shown of another measure in the same rows: targets, goals and limits of bands that came as columns. */
final class OtherRows
{
    /** More members than there can be: none are gathered. */
    private const ALL = \PHP_INT_MAX;

    /**
     * The same with each member for itself; null where none are gathered.
     *
     * @throws NotAccepted
     */
    public static function maybeUngathered(Workings $compared, Recipe $asked, Figures $figures): ?Workings
    {
        $isOther = static fn (Row $row): bool => RowRole::Other === $row->role;

        return [] === array_filter($compared->table->rows, $isOther)
            ? null
            : ComparisonWorkings::of(self::asking($asked, ['top' => self::ALL]), $figures);
    }

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
            'target' => null,
            'bands' => null,
            'against' => [],
            'landing' => false,
            'order' => null,
            'top' => self::ALL,
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

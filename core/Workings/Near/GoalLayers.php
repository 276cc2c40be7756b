<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Question\Near\Goal;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Comparison\ComparisonWorkings;
use KeenMargin\Core\Workings\Result\Row;

/** What values on their way to a goal are put together of. */
final class GoalLayers
{
    /**
     * Each row followed by what it is put together of.
     *
     * @param list<Row> $rows
     *
     * @return list<Row>
     *
     * @throws NotAccepted
     */
    public static function of(array $rows, string $layers, Recipe $asked, Figures $figures): array
    {
        $by = $asked->question->breakdown();
        $layered = [];
        foreach ($rows as $row) {
            $layered[] = $row;
            $own = null === $by || null === $row->key->name ? [] : [new MemberFilter($by, [$row->key->name])];
            $where = [...$asked->question->where, ...$own];
            $parts = OtherRows::asking($asked, [
                'by' => $layers,
                'goal' => new Goal(),
                'where' => $where,
                'against' => [],
                'order' => null,
                'top' => null,
                'sequence' => [],
            ]);
            foreach (ComparisonWorkings::of($parts, $figures)->table->rows as $part) {
                if (null === $part->key->name || $part->role->isSum()) {
                    continue;
                }
                $layered[] = With::of($part, [
                    'key' => $part->key->withinStep($row->key),
                    'parent' => $row->key,
                    'depth' => $row->depth + 1,
                    'variances' => [],
                    'where' => [...$where, new MemberFilter($layers, [$part->key->name])],
                ]);
            }
        }

        return $layered;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Change;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Question\Finish\TitleLines;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\Kinds;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Waterfall\Subtotals;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;

/** The same question about one row only, one breakdown deeper or by finer periods. */
final readonly class LookInto
{
    public function __construct(private Recipe $recipe, private Dataset $dataset, private Kinds $kinds) {}

    /**
     * Every way to look into a row, the nearest first.
     *
     * @param ?Period $period that the row is; none where it is a member
     * @param array<string, string> $members that the row is narrowed to, by breakdown
     *
     * @return list<array{by: string, label: string, recipe: Recipe}>
     */
    public function ways(?Period $period, array $members): array
    {
        $where = $this->where($members);
        $ways = [];
        foreach ([...$this->breakdowns($members, $where), ...$this->grains($period)] as $by) {
            $recipe = $this->recipe($by, $period, $where);
            try {
                RecipeFit::insist($recipe, $this->dataset);
            } catch (NotAccepted) {
                continue;
            }
            $ways[] = [
                'by' => $by instanceof Grain ? $by->value : $by,
                'label' => 'by '.Wording::withinSentence($by instanceof Grain ? $by->value : $by),
                'recipe' => $recipe,
            ];
        }

        return $ways;
    }

    /**
     * @param array<string, string> $members
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<string> those of which more than one member is left
     */
    private function breakdowns(array $members, array $where): array
    {
        $of = array_filter($this->dataset->breakdowns, static function (Breakdown $one) use ($members, $where): bool {
            $held = \count(isset($members[$one->name]) ? $one->leaves($members[$one->name]) : $one->members);
            foreach ($where as $filter) {
                $held =
                    $filter instanceof MemberFilter
                    && $filter->keeps
                    && $filter->breakdown === $one->name
                    && !isset($members[$one->name])
                        ? \count($filter->members)
                        : $held;
            }

            return $held > 1;
        });

        return array_values(array_map(static fn (Breakdown $one): string => $one->name, $of));
    }

    /**
     * @return list<Grain> finer than the row's period; of a member any that the question may be asked by, the finest
     *                     first
     */
    private function grains(?Period $period): array
    {
        $grains = $this->dataset->isTimeless() ? [] : $this->dataset->grain->coarser();

        return array_values(array_filter(
            $grains,
            static fn (Grain $grain): bool => null === $period
                ? \in_array($grain, [Grain::Month, Grain::Quarter], true)
                : $grain !== $period->grain && $period->grain->groups($grain),
        ));
    }

    /** @param list<MemberFilter|NumberFilter> $where */
    private function recipe(Grain|string $by, ?Period $period, array $where): Recipe
    {
        $question = With::of($this->recipe->question, [
            'by' => $by,
            'where' => $where,
            'each' => null,
            'order' => null,
            'top' => null,
            'sequence' => [],
            'cumulate' => null,
            'landing' => false,
            'opened' => [],
            'subtotals' => new Subtotals(),
            'span' => null === $period ? $this->recipe->question->span : Span::between($period, $period),
        ]);
        $rows = $this->recipe->kind->rows($question);
        $hasRows = $by instanceof Grain || ($rows->hasMembers && $by !== $rows->taken);

        return new Recipe(
            $question,
            $hasRows ? $this->recipe->kind : $this->kinds->first(),
            With::of($this->recipe->finish, [
                'highlight' => [],
                'message' => null,
                'title' => new TitleLines(),
                'footnote' => null,
                'height' => null,
            ]),
        );
    }

    /**
     * @param array<string, string> $members
     *
     * @return list<MemberFilter|NumberFilter>
     */
    private function where(array $members): array
    {
        $where = array_values(array_filter(
            $this->recipe->question->where,
            static fn (MemberFilter|NumberFilter $filter): bool => $filter instanceof NumberFilter
                || !isset($members[$filter->breakdown]),
        ));
        foreach ($members as $breakdown => $member) {
            $where[] = new MemberFilter(
                (string) $breakdown,
                $this->dataset->maybeBreakdown((string) $breakdown)?->leaves($member) ?? [$member],
            );
        }

        return $where;
    }
}

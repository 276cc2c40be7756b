<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\About;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\FactFilter;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Rows\Scope;

/** Which amounts of the dataset a row is made of. */
final readonly class RowFigures
{
    public function __construct(
        private Row $row,
        private Workings $workings,
        private Question $question,
        private Figures $figures,
    ) {}

    /** Those of one scenario; of a derived prior year the actuals that it is made of. */
    public function of(Scenario $scenario): FactFilter
    {
        $dataset = $this->figures->dataset();
        $starts = [];
        foreach ($this->workings->context->measures as $measure) {
            $scope = Scope::of($this->question, $dataset, $measure, $measure->sources());
            $comparison = (new ComparisonRows($scope, $measure, $this->figures))->comparison;
            $kept = $comparison->plan($this->row->fine ?? $scope->fine)->values($scenario);
            foreach ($measure->sources() as $source) {
                $starts[$source] = array_map(array_flip(...), $kept->starts);
            }
        }

        return new FactFilter($starts, self::where($this->row, $this->workings, $this->question, $dataset));
    }

    /** @return list<MemberFilter|NumberFilter> */
    private static function where(Row $row, Workings $workings, Question $question, Dataset $dataset): array
    {
        if (null !== $row->where && RowRole::Other !== $row->role) {
            return $row->where;
        }
        $where = $question->where;
        $panel = $row->key->panel;
        if (null !== $question->each && null !== $panel) {
            $where[] = $panel->isOthers()
                ? new MemberFilter($question->each, self::membersOfPanels($workings), false)
                : new MemberFilter($question->each, [(string) $panel->member]);
        }
        array_push($where, ...$workings->context->where);
        $breakdown = $question->breakdown();
        if (null === $breakdown || $row->role->isWhole()) {
            return $where;
        }
        $isShown = static fn (Row $one): bool => $one->panel === $row->panel
            && \in_array($one->role, [RowRole::Row, RowRole::Step], true);
        $shown = array_values(array_map(
            static fn (Row $one): string => (string) $one->key->name,
            array_filter($workings->table->rows, $isShown),
        ));
        $key = (string) $row->key->name;

        return [
            ...$where,
            match ($row->role) {
                RowRole::Other => new MemberFilter($breakdown, $shown, false),
                RowRole::Group => new MemberFilter(
                    $breakdown,
                    $dataset->maybeBreakdown($breakdown)?->leaves($key) ?? [$key],
                ),
                default => new MemberFilter($breakdown, [$key]),
            },
        ];
    }

    /** @return list<string> members that have a panel of their own */
    private static function membersOfPanels(Workings $workings): array
    {
        $members = [];
        foreach ($workings->table->rows as $row) {
            $member = $row->key->panel?->member;
            null === $member || ($members[$member] = $member);
        }

        return array_values($members);
    }
}

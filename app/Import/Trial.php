<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use KeenMargin\App\Storage\Imports\ImportKeeper;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Reading\Mapping\BandColumns;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Reading\Text\NearNames;
use KeenMargin\Core\Figures\Reading\Text\Refusal;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\PeriodNames;

/** Reads a file without keeping its figures, and tells what bringing them in would do. */
final readonly class Trial
{
    private const MOST_REFUSALS = 200;
    private const MOST_NAMES = 12;

    public function __construct(
        private Reader $reader,
        private ReadingShelf $shelf,
        private ImportKeeper $keeper,
        private SeriesStore $store,
    ) {}

    /** @return array<string, mixed> */
    public function of(Look $look, Mapping $mapping, ?DatasetRecord $target, ImportMode $mode): array
    {
        $doubts = $look->doubts($mapping);
        $bands = BandColumns::of($look->sheet, $mapping)->examples($look->sheet, $mapping);
        try {
            $read = $this->reader->read($look, $mapping, $this->shelf->begin($look->file->id));
            $counts =
                null === $target
                    ? ['added' => $read->table->count(), 'replaced' => 0, 'unchanged' => 0, 'removed' => 0]
                    : $this->keeper->foresee($target, $read, $mode)->toArray();
        } catch (RefusedFigures $e) {
            $this->shelf->refused($look->file->id, $e->refusals);

            return [
                'accepted' => false,
                'says' => $e->getMessage(),
                'refusals' => self::refusals($e),
                'refused' => \count($e->refusals),
                'doubts' => $doubts,
                'bands' => $bands,
            ];
        }

        return ['accepted' => true, 'doubts' => $doubts, 'bands' => $bands, 'counts' => $counts] +
            $this->summary($read, null === $target ? null : (new StoredFigures($target, $this->store))->dataset());
    }

    /** @return array<string, mixed> */
    private function summary(ReadFigures $read, ?Dataset $known): array
    {
        $dataset = $read->table->dataset();
        [$first, $last] = [$dataset->coverage->first(), $dataset->coverage->last()];

        return [
            'facts' => $read->table->count(),
            'rows' => $read->rows,
            'without' => $read->without,
            'periods' => null === $first || null === $last ? '' : PeriodNames::range($first, $last),
            'grain' => $dataset->grain->value,
            'ends' => self::endsWithin($dataset),
            'scenarios' => array_map(
                static fn (Scenario $scenario): string => $scenario->value,
                $dataset->coverage->scenarios(),
            ),
            'measures' => array_map(
                static fn (Measure $measure): array => self::measure($measure, $known),
                $dataset->measures,
            ),
            'breakdowns' => array_map(
                static fn (Breakdown $breakdown): array => self::breakdown($breakdown, $known),
                $dataset->breakdowns,
            ),
            'near' => self::near($dataset, $known),
            'notices' => array_map(
                static fn (Notice $notice): array => ['holds' => $notice->holds, 'says' => $notice->says],
                $dataset->notices,
            ),
        ];
    }

    /**
     * The day that actuals end with within a month, and that month; null where the month is over, or figures are not by
     * day.
     *
     * @return ?array{day: string, dayLabel: string, month: string, monthLabel: string}
     */
    private static function endsWithin(Dataset $dataset): ?array
    {
        $last = $dataset->coverage->last(Scenario::Actual);
        if (null === $last || Grain::Day !== $last->grain || !Dataset::isWithinMonth($last)) {
            return null;
        }
        $month = $last->group(Grain::Month, $dataset->calendar);

        return [
            'day' => $last->key(),
            'dayLabel' => PeriodNames::withinYear($last),
            'month' => $month->key(),
            'monthLabel' => PeriodNames::spelledOut($month),
        ];
    }

    /**
     * @return array{
     *     name: string, unit: string, isNew: bool, grouping: string, overMembers: string, better: string,
     *     isGuess: bool,
     * }
     */
    private static function measure(Measure $measure, ?Dataset $known): array
    {
        return [
            'name' => $measure->name,
            'unit' => $measure->unit,
            'isNew' => null === $known?->maybeMeasure($measure->name),
            'grouping' => $measure->grouping->value,
            'overMembers' => $measure->overMembers->value,
            'better' => $measure->better()->value,
            'isGuess' => $measure->isBetterGuessed(),
        ];
    }

    /** @return array{name: string, members: int, newMembers: list<string>, newCount: int} */
    private static function breakdown(Breakdown $breakdown, ?Dataset $known): array
    {
        $new =
            null === $known
                ? []
                : array_values(
                    array_diff($breakdown->members, $known->maybeBreakdown($breakdown->name)->members ?? []),
                );

        return [
            'name' => $breakdown->name,
            'members' => \count($breakdown->members),
            'newMembers' => \array_slice($new, 0, self::MOST_NAMES),
            'newCount' => \count($new),
        ];
    }

    /**
     * @return list<array{breakdown: string, name: string, like: string}> names that were probably meant to be another
     */
    private static function near(Dataset $dataset, ?Dataset $known): array
    {
        $near = [];
        foreach ($dataset->breakdowns as $breakdown) {
            $has = $known?->maybeBreakdown($breakdown->name)->members ?? [];
            $found =
                [] === $has
                    ? NearNames::within($breakdown->members)
                    : NearNames::of(array_values(array_diff($breakdown->members, $has)), $has);
            foreach ($found as $name => $like) {
                $near[] = ['breakdown' => $breakdown->name, 'name' => (string) $name, 'like' => $like];
            }
        }

        return $near;
    }

    /** @return list<array{row: int, column: string, reason: string}> */
    private static function refusals(RefusedFigures $error): array
    {
        return array_map(
            static fn (Refusal $refusal): array => [
                'row' => $refusal->row,
                'column' => $refusal->column,
                'reason' => $refusal->sentence(),
            ],
            \array_slice($error->refusals, 0, self::MOST_REFUSALS),
        );
    }
}

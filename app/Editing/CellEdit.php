<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use Brick\Math\BigDecimal;
use Brick\Math\Exception\IntegerOverflowException;
use KeenMargin\App\Storage\Changes\Change;
use KeenMargin\App\Storage\Changes\ChangeLog;
use KeenMargin\App\Storage\Changes\TableRowChange;
use KeenMargin\App\Storage\Imports\HandImport;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\MeasureRecord;
use KeenMargin\App\Storage\Series\BreakdownMembers;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\SeriesWriter;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Keeping\AmountChange;
use KeenMargin\Core\Figures\Keeping\CellParts;
use KeenMargin\Core\Figures\Keeping\Run;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Time\PeriodNames;

/** Sets and clears amounts by hand, in one step that can be undone; refused where somebody else was faster. */
final readonly class CellEdit
{
    public function __construct(
        private WriteTurn $turn,
        private SeriesStore $store,
        private HandImport $imports,
        private ChangeLog $changes,
    ) {}

    /** @return int how many amounts are changed */
    public function do(DatasetRecord $record, CellBlock $block, string $who): int
    {
        return $this->turn->onDataset((int) $record->id, function (DatasetRecord $record) use ($block, $who): int {
            $measure = $this->measure($record, $block);
            $rows = [];
            $decimals = $this->decimals($measure, $block, $rows);
            $members = $this->members($record, $block, $rows);
            [$series, $count] = $this->series($record, $measure, $block, $members, $decimals);
            if (0 === $count) {
                return 0;
            }
            $import = $this->imports->of(
                $record,
                $who,
                array_map(static fn (array $one): array => $one['cells'], $series),
            );
            $this->changes->do(
                $record, new Change(self::says($block, $count), $rows, (int) $import->id, $series), $who,
            );

            return $count;
        });
    }

    /** `North, Aug 2026: 302.0 to 310` */
    private static function says(CellBlock $block, int $count): string
    {
        $cell = $block->cells[0];
        $of =
            1 === $count && 1 === \count($block->cells)
                ? implode(
                    ', ',
                    array_filter(
                        [$cell['row'], PeriodNames::full($cell['period'])],
                        static fn (string $text): bool => '' !== $text,
                    ),
                )
                : '';
        $text = static fn (?BigDecimal $amount): string => null === $amount
            ? 'nothing'
            : NumberFormat::of('en')->plain($amount, $amount->getScale());

        return '' === $of
            ? Wording::count($count, 'amount', 'amounts')." of {$block->measure->name}"
            : "$of: ".($block->knowsWas ? $text($cell['was']).' to ' : 'now ').$text($cell['is']);
    }

    private function measure(DatasetRecord $record, CellBlock $block): MeasureRecord
    {
        foreach ($record->measures as $measure) {
            if ($measure->name === $block->measure->name) {
                return $measure;
            }
        }
        throw new \LogicException("There is no measure {$block->measure->name}.");
    }

    /** @param list<TableRowChange> $rows gets the measure's new decimals, where it needs more */
    private function decimals(MeasureRecord $measure, CellBlock $block, array &$rows): int
    {
        $most = $measure->scale;
        foreach ($block->cells as $cell) {
            $most = max($most, $cell['is']?->getScale() ?? 0);
        }
        if ($most > $measure->scale) {
            $rows[] = new TableRowChange(
                'measure', (int) $measure->id, ['scale' => $measure->scale], ['scale' => $most],
            );
        }

        return $most;
    }

    /**
     * @param list<TableRowChange> $rows gets the members that are new
     *
     * @return array{list<array{BreakdownMembers, array<string|int, int>}>, ?int} each breakdown's members and their ids
     *                                                                            by name; place of the one that goes
     *                                                                            down
     */
    private function members(DatasetRecord $record, CellBlock $block, array &$rows): array
    {
        $members = [];
        $place = null;
        foreach ($record->breakdowns as $breakdown) {
            $own = BreakdownMembers::some($breakdown, $this->store, $block->names());
            $ids = array_flip($own->standing());
            if ($breakdown->name === $block->by) {
                $place = $breakdown->position;
                $next = $this->store->nextId('member');
                $gone = $this->store->members()->gone((int) $breakdown->id);
                $position = $this->store->members()->lastPosition((int) $breakdown->id);
                foreach ($block->newRows as $name) {
                    if (isset($ids[$name])) {
                        // Somebody else added it since the page was loaded.
                        continue;
                    }
                    $own->isFree($name)
                        || throw new NotAccepted(
                            'rows',
                            "\"$name\" stands for \"{$own->maybeStandsFor(
                                $name,
                            )}\" in $breakdown->name. Change that row, or separate the two first.",
                        );
                    $ids[$name] = $gone[$name] ?? $next++;
                    $rows[] = new TableRowChange('member', $ids[$name], null, [
                        'breakdown_id' => (int) $breakdown->id,
                        'position' => ++$position,
                        'name' => $name,
                    ]);
                }
            }
            $members[] = [$own, $ids];
        }

        return [$members, $place];
    }

    /**
     * @param array{list<array{BreakdownMembers, array<string|int, int>}>, ?int} $members
     *
     * @return array{array<int, array{decimals: int, cells: list<AmountChange>}>, int} changes by series, and how many
     *                                                                                 cells change
     */
    private function series(
        DatasetRecord $record,
        MeasureRecord $measure,
        CellBlock $block,
        array $members,
        int $decimals,
    ): array {
        $runs = $series = $conflicts = [];
        $count = 0;
        foreach ($block->cells as $cell) {
            $ids = $this->alike($cell['row'], $block, $record, $members);
            $own = [];
            foreach ($ids as $key) {
                $full = SeriesStore::seriesKey(
                    (int) $measure->id, SeriesStore::scenarioNumber($cell['scenario']), $key,
                );
                $id = $this->store->maybeSeries((int) $record->id, $full);
                $runs[$full] ??= null === $id ? new Run() : $this->store->runs()->run($id);
                $own[$full] = $runs[$full]->amounts[$cell['period']->start] ?? null;
            }
            $parts = new CellParts(
                [] === $own ? throw new \LogicException('A cell has a series.') : $own,
                max(0, $measure->scale),
            );
            if ($block->knowsWas && !$parts->is($cell['was'])) {
                $conflicts[] = [
                    'row' => $cell['row'],
                    'period' => $cell['period']->key(),
                    'label' => PeriodNames::full($cell['period']),
                    'was' => $cell['was']?->toString() ?? '',
                    'is' => $parts->amount()?->toString() ?? '',
                ];
                continue;
            }
            $count += $parts->is($cell['is']) ? 0 : 1;
            foreach (
                $parts->is($cell['is']) ? [] : self::set($parts, $cell['is'], max(0, $decimals)) as $full => $change
            ) {
                $series[$this->seriesId($record, $full)][] = new AmountChange(
                    $cell['period']->start,
                    $change['was'],
                    $runs[$full]->imports[$cell['period']->start] ?? null,
                    $change['is'],
                );
            }
        }
        if ([] !== $conflicts) {
            throw new ChangedMeanwhile($conflicts);
        }

        return [
            array_map(static fn (array $cells): array => ['decimals' => $decimals, 'cells' => $cells], $series),
            $count,
        ];
    }

    /**
     * @param non-negative-int $decimals
     *
     * @return array<string, array{was: ?int, is: ?int}>
     */
    private static function set(CellParts $parts, ?BigDecimal $amount, int $decimals): array
    {
        try {
            return $parts->set($amount, $decimals);
        } catch (IntegerOverflowException) {
            throw new NotAccepted(
                'amounts',
                "\"$amount\" has too many digits to be kept exactly beside amounts with ".
                    Wording::count($decimals, 'decimal', 'decimals').
                    '. Give the amounts in thousands, or fewer decimals.',
            );
        }
    }

    /**
     * @param array{list<array{BreakdownMembers, array<string|int, int>}>, ?int} $members
     *
     * @return list<list<int>> member ids of the series that make up the cell: its own first, then those of merged
     *                         members
     */
    private function alike(string $row, CellBlock $block, DatasetRecord $record, array $members): array
    {
        $ids = [];
        foreach ($record->breakdowns as $breakdown) {
            $ids[] =
                $members[0][$breakdown->position][1][
                    $breakdown->position === $members[1] ? $row : $block->where[$breakdown->name] ?? ''
                ] ?? throw new \LogicException("There is no member for $breakdown->name.");
        }

        return BreakdownMembers::keys($ids, array_column($members[0], 0));
    }

    private function seriesId(DatasetRecord $record, string $key): int
    {
        $id = $this->store->maybeSeries((int) $record->id, $key);
        if (null === $id) {
            $id = $this->store->nextSeries();
            $writer = new SeriesWriter($this->store->connection);
            $writer->series($id, (int) $record->id, $key);
            $writer->flush();
        }

        return $id;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Reading\Table\HeaderPosition;
use KeenMargin\Core\Figures\Reading\Text\DateOrder;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Reading\Text\NumberStyle;
use KeenMargin\Core\Figures\Reading\Text\PercentMeaning;
use KeenMargin\Core\Figures\Reading\Text\PeriodReader;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/**
 * How a file is to be read: a role for each column, and what the cells alone cannot tell.
 */
final readonly class Mapping
{
    /**
     * @param array<string, ColumnRole> $columns by column name; a column that is not named is ignored
     * @param array<string, MeasureRule> $measures by measure name
     * @param ?string $measure what amounts without a name of their own count
     * @param ?int $year of periods that came without one
     * @param list<int> $leaveOut row numbers
     * @param ?Grain $grain of the dataset that the figures are to join; else they tell it themselves
     * @param array<string, array<string, string>> $sameAs members under another name, by breakdown: `Norht` is `North`
     * @param bool $keepsTotals whether members that look like the sum of the others are figures of their own
     * @param ?HeaderPosition $header where it was told
     * @param ?string $sheet of a workbook with several
     * @param ?BandMeaning $bands what the columns of bands hold; limits where it is not told
     * @param ?Period $closedThrough the last period whose actuals are final; null: as the figures tell it
     * @param ?LineRoles $lines what the lines of a statement do; null: nobody has said it
     * @param ?PercentMeaning $percents what plain numbers beside percentages mean; points where it is not told
     */
    public function __construct(
        public array $columns,
        public NumberStyle $decimal = NumberStyle::Point,
        public DateOrder $dates = DateOrder::DayFirst,
        public ?string $measure = null,
        public ?int $year = null,
        public array $leaveOut = [],
        public array $measures = [],
        public FiscalCalendar $calendar = new FiscalCalendar(),
        public ?Grain $grain = null,
        public array $sameAs = [],
        public bool $keepsTotals = false,
        public ?HeaderPosition $header = null,
        public ?string $sheet = null,
        public ?BandMeaning $bands = null,
        public ?PercentMeaning $percents = null,
        public ?LineRoles $lines = null,
        public ?Period $closedThrough = null,
    ) {}

    /**
     * @param array<string, ColumnRole> $columns
     * @param array<string, MeasureRule> $measures
     */
    public function with(array $columns, array $measures): self
    {
        return With::of($this, ['columns' => $columns, 'measures' => $measures]);
    }

    /**
     * Whether rows that are named as totals stay: as told, of a plain list, which may state its own end, and of a
     * statement, whose subtotals are told.
     */
    public function keepsTotalRows(): bool
    {
        return $this->keepsTotals || null !== $this->lines || $this->isPlainList();
    }

    /** Names and amounts, and nothing else. */
    public function isPlainList(): bool
    {
        $roles = array_map(static fn (ColumnRole $column): Role => $column->role, $this->columns);
        $counts = array_count_values(array_map(static fn (Role $role): string => $role->value, $roles));
        $used = array_diff_key($counts, [Role::Ignore->value => 1]);
        ksort($used);

        return $used === [Role::Amount->value => 1, Role::Breakdown->value => 1];
    }

    public function numbers(): NumberReader
    {
        return new NumberReader($this->decimal);
    }

    public function periods(): PeriodReader
    {
        return new PeriodReader($this->calendar, $this->dates, $this->year);
    }

    /** @return array<string, ColumnRole> the columns of a role */
    public function of(Role $role): array
    {
        return array_filter($this->columns, static fn (ColumnRole $column): bool => $column->role === $role);
    }

    /** @return array<string, mixed> as a recipe's `figures` */
    public function toArray(): array
    {
        return array_filter(
            [
                'columns' => array_map(static fn (ColumnRole $column): array => $column->toArray(), $this->columns),
                'decimal' => $this->decimal->value,
                'dates' => $this->dates->value,
                'measure' => $this->measure,
                'year' => $this->year,
                'leaveOut' => $this->leaveOut,
                'measures' => array_map(static fn (MeasureRule $rule): array => $rule->toArray(), $this->measures),
                'fiscalYearStarts' => $this->calendar->firstMonth,
                'grain' => $this->grain?->value,
                'sameAs' => $this->sameAs,
                'totals' => $this->keepsTotals ? 'keep' : null,
                'header' => $this->header?->toArray(),
                'sheet' => $this->sheet,
                'bands' => $this->bands?->value,
                'percents' => $this->percents?->value,
                'lines' => $this->lines?->toArray(),
                'closedThrough' => $this->closedThrough?->key(),
            ],
            static fn (mixed $value): bool => null !== $value && [] !== $value,
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Between;
use KeenMargin\Core\Question\Cumulation;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;

/** Every number behind a chart, row by row in the order in which they are drawn. */
final readonly class Workings
{
    /** What sums are called that statements point to. */
    public const SUMS = ['total' => 'Total', 'toDate' => 'Year to date', 'landing' => 'Year with forecast'];

    /**
     * @param string $subject what is shown, by name
     * @param Measure $measure whose unit amounts are in
     * @param ?Scenario $forecast none where no row shows it
     * @param list<Reference> $references the first is the one that variances are told of
     * @param Grain|string $by periods, or a breakdown by its name
     * @param ?array{Period, Period} $span first and last period that the rows are about; none where they are about no
     *                                     time
     * @param list<Row> $rows as they are drawn
     * @param list<Column> $columns numbers that every row has
     * @param ?Total $toDate of the closed periods of the closing period's fiscal year within the rows; none where there
     *                       are none
     * @param ?Total $landing of the closing period's fiscal year: actual to date and forecast for the rest
     * @param list<Check> $checks
     * @param ?Between $between the two members of a hat graph
     * @param ?Display $rates how rates beside the amounts are written
     * @param list<string> $marks what the kind explains in its subtitle
     * @param list<RowNote> $notes in reading order
     * @param array<string, float> $mostPerUnit lengths that a unit may have at most, where other charts share the
     *                                          scale: of `amount`, `variance`, `percent`, `points`
     * @param bool $writesNotes whether their texts stand below the chart, too
     */
    public function __construct(
        public string $kind,
        public string $who,
        public string $subject,
        public Measure $measure,
        public Better $better,
        public Scenario $scenario,
        public ?Scenario $forecast,
        public array $references,
        public Grain|string $by,
        public Period $closing,
        public PeriodRange $range,
        public ?array $span,
        public array $rows,
        public array $columns,
        public Total $total,
        public ?Total $toDate,
        public ?Total $landing,
        public Display $display,
        public array $checks,
        public Summary $reading,
        public ?Cumulation $cumulate = null,
        public ?Between $between = null,
        public array $marks = [],
        public ?Display $rates = null,
        public array $notes = [],
        public bool $writesNotes = false,
        public array $mostPerUnit = [],
    ) {
    }

    public function reference(): ?Reference
    {
        return $this->references[0] ?? null;
    }

    /** @return array<string, list<Row>> rows of each of the charts, by its name; under '' where there is one only */
    public function panels(): array
    {
        $panels = [];
        foreach ($this->rows as $row) {
            $panels[$row->panel][] = $row;
        }

        return [] === $panels ? ['' => []] : $panels;
    }

    public function maybeRow(string $key): ?Row
    {
        foreach ($this->rows as $row) {
            if ($key === $row->key) {
                return $row;
            }
        }

        return null;
    }

    /** A number of a row or a total as readers see it. */
    public function told(Column $column, Row|Total $of): string
    {
        return $this->displayOf($column)->told($column, $of);
    }

    /** How the number of a row is coloured; null where it is no variance or there is none. */
    public function effectOf(Column $column, Row $row): ?Effect
    {
        return $this->displayOf($column)->effectOf($column, $row->variances[$column->key] ?? null);
    }

    /** A number that a column may hold, as it would be written now. */
    public function written(Column $column, BigDecimal $number): string
    {
        return $this->displayOf($column)->cell($column->form, $number);
    }

    private function displayOf(Column $column): Display
    {
        $isOfRates = \in_array($column->form, [ColumnForm::Rate, ColumnForm::Points], true);

        return $isOfRates ? $this->rates ?? $this->display : $this->display;
    }

    /**
     * The same with notes to its rows.
     *
     * @param list<RowNote> $notes
     */
    public function noted(array $notes, bool $areWritten): self
    {
        return With::of($this, ['notes' => $notes, 'writesNotes' => $areWritten]);
    }

    /**
     * The same beside other charts.
     *
     * @param array<string, float> $mostPerUnit
     */
    public function onScale(array $mostPerUnit): self
    {
        return With::of($this, ['mostPerUnit' => $mostPerUnit]);
    }

    /**
     * @return array<string, Total> sums that statements point to, by their keys; those of the closed part and of the
     *                              year only where they are others than the rows'
     */
    public function sums(): array
    {
        return array_filter(
            ['total' => $this->total, 'toDate' => $this->toDate, 'landing' => $this->landing],
            static fn (?Total $total): bool => null !== $total,
        );
    }

    /** Whether the sum of all stands among the rows. */
    public function hasTotalRow(): bool
    {
        return [] !==
            array_filter(
                $this->rows,
                static fn (Row $row): bool => RowRole::Total === $row->role && '' === $row->panel,
            );
    }

    public function isOverTime(): bool
    {
        return $this->by instanceof Grain;
    }

    /** The first period that is shown; none where rows are not periods, and time is no matter. */
    public function from(): ?Period
    {
        return $this->span[0] ?? null;
    }

    public function to(): ?Period
    {
        return $this->span[1] ?? null;
    }

    /** Whether all that is shown lies after the closing period. */
    public function isAllForecast(): bool
    {
        return null !== $this->forecast
            && null !== $this->from()
            && $this->from()->firstDay() > $this->closing->lastDay();
    }
}

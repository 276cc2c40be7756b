<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Words;

use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\LinkedText;
use KeenMargin\Core\Workings\Result\Row;

/** Says the numbers of rows as the workings show them, and where they stand. */
final readonly class RowPhrases
{
    /** A percentage from here on says only that the reference is tiny. */
    private const MOST_PERCENT = 1000;
    /** Decimals that messages keep of a quotient. */
    private const KEPT = 6;

    private ?Column $variance;
    private ?Column $percent;

    /** @param Column $shown that holds what is shown */
    public function __construct(public Display $display, private Column $shown, public ?Reference $reference)
    {
        $columns = null === $reference ? [] : Column::against($reference, $display->inPoints);
        [$this->variance, $this->percent] = [$columns[0] ?? null, $columns[1] ?? null];
    }

    /** What is shown of a row. */
    public function amount(Row|Total $of, RowKey $row): LinkedText
    {
        return $this->number($this->shown, $of, $row);
    }

    /** The variance with its sign. */
    public function variance(Row|Total $of, RowKey $row): ?LinkedText
    {
        return null === $this->variance || null === $this->of($of) ? null : $this->number($this->variance, $of, $row);
    }

    /** The variance without its sign: a word says which way it goes. */
    public function size(Row|Total $of, RowKey $row): ?LinkedText
    {
        return null === $this->variance ? null : $this->unsigned($this->variance, $of, $row);
    }

    /** The variance in percent of the reference, without its sign; none of no reference, or of a tiny one. */
    public function share(Row|Total $of, RowKey $row): ?LinkedText
    {
        $percent = $this->of($of)?->percent(1);

        return null === $this->percent
            || null === $percent
            || $percent->abs()->isGreaterThanOrEqualTo(self::MOST_PERCENT)
            ? null
            : $this->unsigned($this->percent, $of, $row);
    }

    public function name(Row $row, bool $namesYear): LinkedText
    {
        return new LinkedText($namesYear ? $row->label : trim("$row->panel $row->name"), $row->key);
    }

    /** ` k EUR`, to stand after a number; ` pp` after a variance of percentages. */
    public function unit(bool $isVariance = false): string
    {
        $unit = $isVariance && $this->display->inPoints ? 'pp' : $this->display->unitText();

        return '' === $unit ? '' : " $unit";
    }

    public function of(Row|Total $of): ?Variance
    {
        return null === $this->reference ? null : $of->variances[$this->reference->key] ?? null;
    }

    /** In the measure's own unit, as messages keep it. */
    public static function exact(Column $column, Row|Total $of): string
    {
        // Percentages are rounded once, from the amounts: what is kept is what is said.
        $number =
            ColumnForm::Percent === $column->form
                ? ($of->variances[$column->key] ?? null)?->percent(1)
                : $column->number($of);

        return null === $number
            ? ''
            : ($number->getScale() > self::KEPT ? Decimals::round($number, self::KEPT) : $number)->toString();
    }

    /** A number of a row as its column has it. */
    public function number(Column $column, Row|Total $of, RowKey $row): LinkedText
    {
        $text = $this->display->told($column, $of);

        return new LinkedText($text, $row, $column->id(), $text, self::exact($column, $of));
    }

    private function unsigned(Column $column, Row|Total $of, RowKey $row): ?LinkedText
    {
        if (null === $this->of($of)) {
            return null;
        }
        $signed = $this->display->told($column, $of);

        return new LinkedText(NumberFormat::unsigned($signed), $row, $column->id(), $signed, self::exact($column, $of));
    }
}

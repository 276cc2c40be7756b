<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;

/** One number that every row of the workings has, and how it came about. */
final readonly class Column
{
    /**
     * @param string $key of the value (`shown`: whatever is shown), or of the reference that the variance is against
     * @param string $rule how it is computed, in words
     * @param list<ColumnFormula> $formulas how its number may follow from others of its row, the likeliest first
     * @param ?string $follows id of a column whose number in an earlier row it may be; null: none
     */
    public function __construct(
        public string $key,
        public ColumnForm $form,
        public string $head,
        public string $rule,
        public array $formulas = [],
        public ?string $follows = null,
    ) {}

    /** `BU`, `variance:BU`, `percent:BU` */
    public function id(): string
    {
        return match ($this->form) {
            ColumnForm::Amount, ColumnForm::Change, ColumnForm::Rate, ColumnForm::Band => $this->key,
            ColumnForm::Variance, ColumnForm::Points => "variance:{$this->key}",
            ColumnForm::Percent => "percent:{$this->key}",
        };
    }

    /**
     * The variances against a reference.
     *
     * @param string ...$shown ids of the columns, the likeliest first, that may hold what is shown
     *
     * @return list<self>
     */
    public static function against(Reference $reference, bool $inPoints, string ...$shown): array
    {
        $minus = array_map(
            static fn (string $column): ColumnFormula => new ColumnFormula(
                DerivationRule::Minus, $column, $reference->key,
            ),
            array_values($shown),
        );
        $percent = new ColumnFormula(DerivationRule::Percent, "variance:{$reference->key}", $reference->key);
        $head = "\u{0394}{$reference->short}";

        return $inPoints
            ? [new self(
                $reference->key, ColumnForm::Points, $head, "Shown minus {$reference->word}, in points", $minus,
            )]
            : [
                new self($reference->key, ColumnForm::Variance, $head, "Shown minus {$reference->word}", $minus),
                new self(
                    $reference->key,
                    ColumnForm::Percent,
                    "$head %",
                    "$head over the size of {$reference->word}",
                    [$percent],
                ),
            ];
    }

    public function number(Row|Total $of): ?BigDecimal
    {
        $variance = $of->variances[$this->key] ?? null;

        return match ($this->form) {
            ColumnForm::Amount, ColumnForm::Change, ColumnForm::Rate => 'shown' === $this->key
                ? $of->shown
                : $of->values[$this->key] ?? null,
            ColumnForm::Variance, ColumnForm::Points => $variance?->amount,
            ColumnForm::Percent => $variance?->percent(),
            ColumnForm::Band => null,
        };
    }

    /** What the column says of a row where it holds no numbers; null where it holds some, or says nothing. */
    public function text(Row|Total $of): ?string
    {
        return ColumnForm::Band === $this->form && $of instanceof Row ? $of->band() : null;
    }
}

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
     * @param string $rule how it is computed
     */
    public function __construct(
        public string $key,
        public ColumnForm $form,
        public string $head,
        public string $rule,
    ) {
    }

    /** `BU`, `variance:BU`, `percent:BU` */
    public function id(): string
    {
        return match ($this->form) {
            ColumnForm::Amount, ColumnForm::Rate => $this->key,
            ColumnForm::Variance, ColumnForm::Points => "variance:{$this->key}",
            ColumnForm::Percent => "percent:{$this->key}",
        };
    }

    /** @return list<self> of the variances against a reference */
    public static function against(Reference $reference, bool $inPoints): array
    {
        $head = "\u{0394}{$reference->short}";

        return $inPoints
            ? [new self($reference->key, ColumnForm::Points, $head, "Shown minus {$reference->word}, in points")]
            : [
                new self($reference->key, ColumnForm::Variance, $head, "Shown minus {$reference->word}"),
                new self(
                    $reference->key,
                    ColumnForm::Percent,
                    "$head %",
                    "$head over the size of {$reference->word}",
                ),
            ];
    }

    public function number(Row|Total $of): ?BigDecimal
    {
        $variance = $of->variances[$this->key] ?? null;

        return match ($this->form) {
            ColumnForm::Amount, ColumnForm::Rate => 'shown' === $this->key
                ? $of->shown
                : $of->values[$this->key] ?? null,
            ColumnForm::Variance, ColumnForm::Points => $variance?->amount,
            ColumnForm::Percent => $variance?->percent(),
        };
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Table;

use KeenMargin\Core\Figures\Scenario;

/** One column of a comparison table: which number, of which scenario, and how it is drawn. */
final readonly class TableColumn
{
    private const DELTA = "\u{0394}";

    /** @param ?Scenario $scenario whose amount it is, or that it is a variance against; null of the others */
    private function __construct(public TableNumber $number, public ?Scenario $scenario, public TableForm $form) {}

    /**
     * By its name: `AC`, `ΔBU`, `ΔBU %`, `share`, `progress`, `trend`.
     *
     * @param ?TableForm $form null: the usual one
     *
     * @return ?self null where there is no such column
     */
    public static function maybe(string $name, ?TableForm $form = null): ?self
    {
        $number = match ($name) {
            'share' => TableNumber::Share,
            'progress' => TableNumber::Progress,
            'trend' => TableNumber::Trend,
            default => null,
        };
        if (null !== $number) {
            return new self($number, null, $form ?? self::usual($number));
        }
        if (1 !== preg_match('/^(?<delta>'.self::DELTA.')?(?<code>[A-Z]{2})(?<percent> %)?$/uD', $name, $match)) {
            return null;
        }
        $scenario = Scenario::tryFrom($match['code']);
        $isVariance = '' !== $match['delta'];
        $isPercent = isset($match['percent']);
        $number = match (true) {
            !$isVariance && $isPercent => null,
            !$isVariance => TableNumber::Amount,
            $isPercent => TableNumber::Percent,
            default => TableNumber::Variance,
        };

        return null === $scenario || null === $number
            ? null
            : new self($number, $scenario, $form ?? self::usual($number));
    }

    public function name(): string
    {
        $code = $this->scenario->value ?? '';

        return match ($this->number) {
            TableNumber::Amount => $code,
            TableNumber::Variance => self::DELTA.$code,
            TableNumber::Percent => self::DELTA."$code %",
            TableNumber::Share => 'share',
            TableNumber::Progress => 'progress',
            TableNumber::Trend => 'trend',
        };
    }

    public function isUsual(): bool
    {
        return $this->form === self::usual($this->number);
    }

    /** @return non-empty-list<TableForm> ways to draw it */
    public function forms(): array
    {
        return match ($this->number) {
            TableNumber::Amount, TableNumber::Variance, TableNumber::Share => [TableForm::Number, TableForm::Bar],
            TableNumber::Percent => [TableForm::Pin, TableForm::Number],
            TableNumber::Progress => [TableForm::Progress, TableForm::Number],
            TableNumber::Trend => [TableForm::Line],
        };
    }

    /** Whether it is a variance or its percentage. */
    public function isOfVariance(): bool
    {
        return \in_array($this->number, [TableNumber::Variance, TableNumber::Percent], true);
    }

    public function asNumber(): self
    {
        return TableForm::Line === $this->form ? $this : new self($this->number, $this->scenario, TableForm::Number);
    }

    private static function usual(TableNumber $number): TableForm
    {
        return match ($number) {
            TableNumber::Amount, TableNumber::Share => TableForm::Number,
            TableNumber::Variance => TableForm::Bar,
            TableNumber::Percent => TableForm::Pin,
            TableNumber::Progress => TableForm::Progress,
            TableNumber::Trend => TableForm::Line,
        };
    }
}

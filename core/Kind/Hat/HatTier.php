<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Hat;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\PlacedLabel;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\GapBar;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\Lengths;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** For each row a brim at the first member's value, and a block from there to the second's. */
final readonly class HatTier implements Tier
{
    use StandsOnAxis;

    /** Width of both places together, in bands. */
    private const HAT = 0.66;
    private const LONGEST_BRIM = 84.0;
    /** Height of a label. */
    private const LINE = 14.0;

    private Lengths $lengths;

    /** @param list<Row> $rows */
    public function __construct(
        private Workings $workings,
        private array $rows,
        private VarianceForm $form,
        private TotalsCut $cut,
    ) {
        $this->lengths = new Lengths($cut, []);
    }

    public function extent(): Extent
    {
        return Extent::ofSizes(array_merge(
            [],
            ...array_map(
                fn (Row $row): array => array_map(
                    fn (?BigDecimal $amount): float => $this->lengths->of($row, $amount),
                    self::sides($row),
                ),
                $this->rows,
            ),
        ));
    }

    public function labelWidths(): LabelWidths
    {
        $widths = LabelWidths::of(
            array_merge(
                [],
                ...array_map(
                    fn (Row $row): array => array_map(
                        fn (?BigDecimal $amount): array => [
                            $amount,
                            null === $row->variances['first']
                                ? $this->workings->context->display->amount($amount)
                                : GapBar::text(
                                    $this->workings->context->display, $row->variances['first'], $this->form, 0,
                                ),
                        ],
                        self::sides($row),
                    ),
                    $this->rows,
                ),
            ),
            600,
        );

        // Differences stand on either side of a block, at worst past the first value.
        $widest = max($widths->below, $widths->above);

        return new LabelWidths($widest, 2 * $widest + 9.0);
    }

    public function draw(Stage $stage): void
    {
        foreach ($this->rows as $i => $row) {
            $variance = $row->variances['first'] ?? null;
            if (null !== $variance) {
                $this->block($stage, $row, $variance, $i);
            }
        }
        foreach ($this->rows as $i => $row) {
            $this->brim($stage, $row, $i);
        }
        $stage->nought();
        $this->labels($stage);
    }

    private function block(Stage $stage, Row $row, Variance $variance, int $i): void
    {
        $half = $this->half($stage);
        $from = $this->lengths->of($row, $variance->reference);
        $stage->canvas->add(
            'blocks',
            $stage->bar(
                centre: $stage->axis->centre($i) + $half / 2,
                thickness: $half,
                from: $from,
                to: $this->lengths->of($row, $variance->shown),
                style: Style::variance($this->workings->context->display->effect($variance), $row->shownScenario),
                role: 'change',
                key: $row->key->id,
                of: 'change',
                measures: new Measures(Scale::Amount, 'variance:first'),
            ),
        );
    }

    private function brim(Stage $stage, Row $row, int $i): void
    {
        $centre = $stage->axis->centre($i);
        $half = $this->half($stage);
        [$first, $second] = self::sides($row);
        if (null !== $first) {
            $stage->canvas->add(
                'brims',
                $stage->orientation->tick(
                    from: $centre - $half,
                    to: $centre + $half,
                    along: $stage->scale->at($this->lengths->of($row, $first)),
                    ink: Ink::Ink,
                    thickness: 2.2,
                    role: 'brim',
                    key: $row->key->id,
                    of: 'first',
                ),
            );
        }
        if (null !== $first && null !== $second && $this->lengths->isCut($row)) {
            $near = abs($this->lengths->of($row, $first)) < abs($this->lengths->of($row, $second)) ? $first : $second;
            $this->cut->mark(
                $stage,
                $stage->bar(
                    centre: $centre,
                    thickness: 2 * $half,
                    from: 0.0,
                    to: $this->lengths->of($row, $near),
                    style: Style::mark(Ink::Paper),
                    role: 'break',
                    key: $row->key->id,
                    of: null,
                ),
                $row->key->id,
            );
        }
        // Of a row with one side only, that side is still told.
        if (null === $first && null !== $second) {
            $stage->canvas->add(
                'brims',
                $stage->orientation->tick(
                    from: $centre,
                    to: $centre + $half,
                    along: $stage->scale->at($this->lengths->of($row, $second)),
                    ink: Ink::Quiet,
                    thickness: 2.2,
                    role: 'lone',
                    key: $row->key->id,
                    of: 'second',
                ),
            );
        }
    }

    private function labels(Stage $stage): void
    {
        $changes = [];
        $firsts = [];
        $display = $this->workings->context->display;
        foreach ($this->rows as $i => $row) {
            $centre = $stage->axis->centre($i);
            $half = $this->half($stage);
            $variance = $row->variances['first'] ?? null;
            if (null === $variance) {
                [$first, $second] = self::sides($row);
                GapBar::none($stage, $row, $centre, $this->lengths->of($row, $first ?? $second), true);
                continue;
            }
            $isAbove = !$variance->amount->isNegative();
            if (!$variance->reference->isZero() || VarianceForm::Percent !== $this->form) {
                $changes[$i] = GapBar::label(
                    stage: $stage,
                    display: $display,
                    row: $row,
                    variance: $variance,
                    form: $this->form,
                    centre: $centre + $half / 2,
                    beyond: $this->lengths->of($row, $variance->shown),
                    isAbove: $isAbove,
                    further: 0.0,
                    instead: $this->beyondBrim($stage, $row, $variance, $i),
                );
            }
            $firsts[$i] = new PlacedLabel(
                $variance->reference->toFloat(),
                $display->decimals,
                fn (int $decimals): Text => $stage->label(
                    centre: $centre - $half / 2,
                    amount: $this->lengths->of($row, $variance->reference),
                    isAbove: !$isAbove,
                    text: $display->plain($variance->reference, $decimals),
                    ink: Ink::Quiet,
                    weight: 400,
                    role: 'value-label',
                    key: $row->key->id,
                    of: 'first',
                    further: 1.0,
                ),
                fn (int $decimals): Text => $stage->label(
                    centre: $centre - $half / 2,
                    amount: $this->lengths->of($row, $variance->reference),
                    isAbove: $isAbove,
                    text: $display->plain($variance->reference, $decimals),
                    ink: Ink::Quiet,
                    weight: 400,
                    role: 'value-label',
                    key: $row->key->id,
                    of: 'first',
                    further: 1.0,
                ),
            );
        }
        $stage->write($firsts);
        $stage->write($changes);
    }

    /**
     * Where a short block leaves no room between its end and nought: on the other side of the brim, past the first
     * value.
     *
     * @return \Closure(int): Text
     */
    private function beyondBrim(Stage $stage, Row $row, Variance $variance, int $i): \Closure
    {
        $display = $this->workings->context->display;
        $first = TextMeasure::width($display->amount($variance->reference), Type::LABEL);
        $change = TextMeasure::width(GapBar::text($display, $variance, $this->form, 0), Type::LABEL, 600);
        $isBeside = ($first + $change) / 2 < $this->half($stage);
        $past = match (true) {
            Orientation::Horizontal === $stage->orientation => 9.0 + $first,
            $isBeside => 1.0,
            default => 1.0 + self::LINE,
        };

        $centre = $stage->axis->centre($i) + $this->half($stage) / 2;
        $brim = $this->lengths->of($row, $variance->reference);
        $most = 1 + $display->varianceDecimals;

        $isBelow = $variance->amount->isNegative();

        $text = fn (int $decimals): string => GapBar::text($display, $variance, $this->form, max(0, $most - $decimals));

        return static fn (int $decimals): Text => GapBar::written(
            stage: $stage,
            row: $row,
            variance: $variance,
            centre: $centre,
            beyond: $brim,
            isAbove: $isBelow,
            text: $text($decimals),
            further: $past,
        );
    }

    private function half(Stage $stage): float
    {
        return Orientation::Vertical === $stage->orientation
            ? min(self::LONGEST_BRIM, self::HAT * $stage->axis->band) / 2
            : 0.38 * $stage->axis->band;
    }

    /**
     * @return array{?BigDecimal, ?BigDecimal} what is compared, which may be of fewer periods than the row has; else
     *                                         what there is
     */
    private static function sides(Row $row): array
    {
        $variance = $row->variances['first'] ?? null;
        if (null === $variance) {
            return [$row->values['first'] ?? null, $row->values['second'] ?? null];
        }
        $isOfPart = [] !== $variance->only;

        return [
            $isOfPart ? $variance->reference : $row->values['first'] ?? null,
            $isOfPart ? $variance->shown : $row->values['second'] ?? null,
        ];
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\PlacedLabel;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * A thin bar from the reference to the value, in the colour of its effect; and how a variance is written beside a mark.
 */
final class GapBar
{
    public static function draw(
        Stage $stage,
        Display $display,
        Row $row,
        Variance $variance,
        float $across,
        float $thickness,
        string $reference,
    ): void {
        // Where fewer periods are compared than are drawn, the gap between the two marks is another.
        if ([] !== $variance->only) {
            return;
        }
        $style = Style::variance($display->effect($variance), $row->shownScenario);
        $bar = $stage->bar(
            centre: $across,
            thickness: $thickness,
            from: $variance->reference,
            to: $variance->shown,
            style: $style,
            role: 'gap',
            key: $row->key->id,
            of: 'variance',
            measures: new Measures(Scale::Amount, "variance:$reference"),
        );
        $stage->canvas->add('gaps', $bar);
    }

    /**
     * As an amount, in percent, or both; a variance in points has no percentage.
     *
     * @param non-negative-int $fewer decimals than are usual
     */
    public static function text(Display $display, Variance $variance, VarianceForm $form, int $fewer): string
    {
        $amount =
            $display->signed($variance->amount, $display->varianceDecimals - $fewer).
            ($display->inPoints ? ' pp' : '');
        $percent = $display->inPoints ? null : $variance->percent(max(0, 1 - $fewer));
        $written = $display->format->signed($percent, max(0, 1 - $fewer)).(null === $percent ? '' : ' %');

        return match (true) {
            VarianceForm::Amount === $form || $display->inPoints => $amount,
            VarianceForm::Percent === $form => $written,
            default => "$amount ($written)",
        };
    }

    /**
     * Widths of the labels of rows, those without a variance by their amounts.
     *
     * @param list<Row> $rows
     */
    public static function widths(Workings $workings, array $rows, VarianceForm $form): LabelWidths
    {
        return LabelWidths::of(
            array_map(static function (Row $row) use ($workings, $form): array {
                $variance = $row->variance($workings->table->reference());

                return [
                    $row->shown,
                    null === $variance
                        ? $workings->context->display->amount($row->shown)
                        : self::text($workings->context->display, $variance, $form, 0),
                ];
            }, $rows),
            600,
        );
    }

    /**
     * A label above or below an amount, that loses decimals where there is no room.
     *
     * @param ?\Closure(int): Text $instead where it may stand else
     */
    public static function label(
        Stage $stage,
        Display $display,
        Row $row,
        Variance $variance,
        VarianceForm $form,
        float $centre,
        float $beyond,
        bool $isAbove,
        float $further = 0.0,
        ?\Closure $instead = null,
    ): PlacedLabel {
        $most = 1 + $display->varianceDecimals;
        $label = static function (int $decimals) use (
            $stage,
            $display,
            $row,
            $variance,
            $form,
            $centre,
            $beyond,
            $isAbove,
            $further,
            $most,
        ): Text {
            $text = self::text($display, $variance, $form, max(0, $most - $decimals));

            return self::written(
                stage: $stage,
                row: $row,
                variance: $variance,
                centre: $centre,
                beyond: $beyond,
                isAbove: $isAbove,
                text: $text,
                further: $further,
            );
        };

        return new PlacedLabel($variance->amount->toFloat(), $most, $label, $instead);
    }

    /** A written variance beside a mark, in the colour of its effect. */
    public static function written(
        Stage $stage,
        Row $row,
        Variance $variance,
        float $centre,
        float|BigDecimal $beyond,
        bool $isAbove,
        string $text,
        float $further,
    ): Text {
        $ink = Style::written($text, $variance->effect);
        $weight = $variance->flagged ? 600 : 400;

        return $stage->label(
            centre: $centre,
            amount: $beyond,
            isAbove: $isAbove,
            text: $text,
            ink: $ink,
            weight: $weight,
            role: 'variance-label',
            key: $row->key->id,
            of: 'variance',
            further: $further,
        );
    }

    /**
     * The variances of all rows, each beyond whatever is drawn of its row.
     *
     * @param list<Row> $rows
     * @param float $room between the far end and the label
     */
    public static function labels(
        Stage $stage,
        Workings $workings,
        array $rows,
        VarianceForm $form,
        Lengths $lengths,
        float $room = 0.0,
    ): void {
        $labels = [];
        foreach ($rows as $i => $row) {
            $variance = $row->variance($workings->table->reference());
            $isAbove = Lengths::isAbove($row);
            $end = $lengths->end($row);
            if (null === $variance || ($variance->reference->isZero() && VarianceForm::Percent === $form)) {
                self::none(
                    stage: $stage,
                    row: $row,
                    centre: $stage->axis->centre($i),
                    beyond: $end,
                    isAbove: $isAbove,
                    further: $room,
                );
            } else {
                $labels[$i] = self::label(
                    stage: $stage,
                    display: $workings->context->display,
                    row: $row,
                    variance: $variance,
                    form: $form,
                    centre: $stage->axis->centre($i),
                    beyond: $end,
                    isAbove: $isAbove,
                    further: $room,
                );
            }
        }
        $stage->write($labels);
    }

    /** What stands where a variance cannot be told. */
    public static function none(
        Stage $stage,
        Row $row,
        float $centre,
        float $beyond,
        bool $isAbove,
        float $further = 0.0,
    ): void {
        $stage->canvas->writeIfFree(
            'labels',
            $stage->label(
                centre: $centre,
                amount: $beyond,
                isAbove: $isAbove,
                text: NumberFormat::NONE,
                ink: Ink::Quiet,
                weight: 400,
                role: 'missing',
                key: $row->key->id,
                of: 'variance',
                further: $further,
            ),
        );
    }
}

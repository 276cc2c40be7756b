<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Values written into the foot of their own bars, where all of them have room across; short bars stay without. */
final class InsideLabels
{
    private const PAD = 4.0;

    /**
     * @param list<Row> $rows
     * @param callable(Row): float $drawn amount that the bar reaches to
     * @param ?callable(Row): ?float $mark amount at which a mark crosses it
     * @param float $shift of the bars from the middle of their bands
     *
     * @return list<int> places of the rows that were written
     */
    public static function write(
        Stage $stage,
        Workings $workings,
        array $rows,
        float $thickness,
        callable $drawn,
        ?callable $mark = null,
        float $shift = 0.0,
    ): array {
        if (Labels::All !== $stage->labels) {
            return [];
        }
        // In all charts of a question or in none.
        foreach (Orientation::Vertical === $stage->orientation ? $workings->table->rows : [] as $row) {
            if (
                null !== $row->shown
                && TextMeasure::width($workings->context->display->amount($row->shown), Type::LABEL, 600) + 2.0 >
                    $thickness
            ) {
                return [];
            }
        }
        $written = [];
        foreach (Orientation::Vertical === $stage->orientation || $thickness >= 13.0 ? $rows : [] as $i => $row) {
            if (null !== $row->shown) {
                $text = Canvas::text(
                    0.0, 0.0, $workings->context->display->amount($row->shown), 'start', Ink::Panel, weight: 600,
                );
                if (
                    !self::one(
                        stage: $stage,
                        row: $row,
                        centre: $stage->axis->centre($i) + $shift,
                        text: $text,
                        drawn: $drawn($row),
                        mark: null === $mark ? null : $mark($row),
                    )
                ) {
                    continue;
                }
                $written[] = $i;
            }
        }

        return $written;
    }

    private static function one(Stage $stage, Row $row, float $centre, Text $text, float $drawn, ?float $mark): bool
    {
        $isVertical = Orientation::Vertical === $stage->orientation;
        $length = abs($drawn) * $stage->scale->perUnit;
        $needed = ($isVertical ? $text->size : $text->width) + 3 * self::PAD;
        if ($length < $needed || (null !== $mark && abs($mark) * $stage->scale->perUnit < $needed)) {
            return false;
        }
        $isAbove = $drawn >= 0;
        $along = $stage->scale->beyond($stage->scale->zero, $isAbove ? self::PAD : -self::PAD);
        [$x, $y] = $isVertical
            ? [$centre - $text->width / 2, $along - ($isAbove ? 1.0 : -$text->size + 1.0)]
            : [$isAbove ? $along : $along - $text->width, $centre + 4.0];
        $isHatched = Scenario::Forecast === $row->shownScenario;
        $written = new Text(
            x: $x,
            y: $y,
            text: $text->text,
            size: $text->size,
            fill: ($isHatched || !\in_array($row->shownScenario, [Scenario::Actual, Scenario::PriorYear, null], true)
                ? Ink::Ink
                : Ink::Panel
            )->value,
            width: $text->width,
            anchor: 'start',
            weight: 600,
            role: 'inside-label',
            key: $row->key->id,
            of: 'shown',
        );
        if ($isHatched) {
            $box = $written->box();
            $stage->canvas->addBehind(
                'labels',
                new Rect(
                    x: $box->left - 2.0,
                    y: $box->top - 1.0,
                    width: $box->right - $box->left + 4.0,
                    height: $box->bottom - $box->top + 2.0,
                    fill: Style::mark(Ink::Panel)->fill->value,
                    stroke: null,
                    role: 'ground',
                    key: $row->key->id,
                ),
            );
        }
        $stage->canvas->write('labels', $written);

        return true;
    }
}

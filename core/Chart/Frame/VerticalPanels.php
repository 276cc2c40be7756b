<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\ClosingLine;
use KeenMargin\Core\Chart\Part\PeriodLabels;
use KeenMargin\Core\Chart\Part\RowNames;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\SeriesNames;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Chart\Scale\LinearScale;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Chart\Tier\TierLayout;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Charts of columns: tiers one above the other, names below the lowest. */
final readonly class VerticalPanels
{
    private const NAMES = 58.0;
    private const RIGHT = 10.0;
    private const LEAST = 170.0;
    private const TITLE = 18.0;

    /**
     * @param list<SeriesKey> $keys
     * @param float $stretch of lengths
     */
    public function __construct(
        private Canvas $canvas,
        private Workings $workings,
        private Finish $finish,
        private ChartOptions $options,
        private array $keys,
        private float $stretch = 1.0,
    ) {
    }

    /**
     * Whether the names of members have room below their columns.
     *
     * @param non-empty-list<list<Row>> $panels
     */
    public static function hasRoom(array $panels, int $width): bool
    {
        $grid = self::grid($panels, $width);
        foreach ($panels as $rows) {
            if (
                !RowNames::fitBelow(
                    $rows,
                    BandAxis::over(RowNames::standApart($rows), 0.0, $grid->width(), Grain::Month)->band,
                )
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param non-empty-list<list<Row>> $panels
     * @param list<list<Tier>> $charts
     *
     * @return float the lowest y that was used
     */
    public function draw(array $panels, array $charts, float $top): float
    {
        $grid = self::grid($panels, $this->finish->width);
        $isOne = 1 === \count($panels);
        $length = $this->stretch * ($isOne ? max(180.0, min(380.0, 0.27 * $this->finish->width)) : 150.0);
        $layout = TierLayout::vertical(
            $charts,
            $length,
            SeriesNames::height($this->keys),
            $this->options->mostPerUnit,
        );
        $bottom = $top;
        foreach ($panels as $i => $rows) {
            $top = $grid->isFirst($i) && $i > 0 ? $bottom + 20.0 : $top;
            $bottom = max(
                $bottom,
                $this->panel(
                    name: $rows[0]->panel ?? '',
                    rows: $rows,
                    tiers: $charts[$i],
                    layout: $layout,
                    grid: $grid,
                    place: $i,
                    top: $top,
                ),
            );
        }

        return $bottom;
    }

    /**
     * @param list<Row> $rows
     * @param list<Tier> $tiers
     */
    private function panel(
        string $name,
        array $rows,
        array $tiers,
        TierLayout $layout,
        PanelGrid $grid,
        int $place,
        float $top,
    ): float {
        $axis = BandAxis::over(
            RowNames::standApart($rows),
            $grid->left($place),
            $grid->right($place),
            $this->workings->context->by instanceof Grain ? $this->workings->context->by : Grain::Month,
        );
        $y = $top;
        if ('' !== $name) {
            $this->canvas->write(
                'title',
                Canvas::text(
                    $axis->start,
                    $top + 11.0,
                    TextMeasure::shortened($name, $grid->width(), Type::LABEL, 600),
                    weight: 600,
                    role: 'panel',
                ),
            );
            $y += self::TITLE;
        }
        $closing = ClosingLine::maybeAt($this->workings, $rows, $axis);
        $start = $y;
        $y += null === $closing ? 0.0 : 14.0;
        $foot = $y + $layout->size;
        // Before the labels of the tiers, so that these keep off them.
        $bottom = $this->workings->context->isOverTime()
            ? PeriodLabels::write($this->canvas, $axis, $rows, $foot + 14.0)
            : RowNames::below($this->canvas, $axis, $rows, $foot + 14.0);
        foreach ($tiers as $i => $tier) {
            $scale = new LinearScale($y + $layout->zeros[$i], $layout->perUnit[$i]);
            if ('' !== $tier->name() && $grid->isFirst($place)) {
                $this->canvas->write(
                    'names',
                    Canvas::text(
                        $grid->left($place) - 8.0,
                        $scale->zero + 4.0,
                        $tier->name(),
                        'end',
                        Ink::Quiet,
                        role: 'tier-name',
                    ),
                );
            }
            $tier->draw(
                new Stage(
                    canvas: $this->canvas,
                    orientation: Orientation::Vertical,
                    axis: $axis,
                    scale: $scale,
                    labels: $this->finish->labels,
                    isFirst: $grid->isFirst($place),
                ),
            );
        }
        if ($grid->isFirst($place)) {
            $zero = $y + $layout->zeros[\count($tiers) - 1];
            $from = \count($tiers) > 1 ? $zero - SeriesNames::height($this->keys) - 20.0 : $y;
            SeriesNames::beside(
                $this->canvas,
                $this->keys,
                $grid->left($place) - 8.0,
                $foot > $zero + 20.0 ? min($from, $zero) : $from,
                max($zero, $from + 20.0 + SeriesNames::height($this->keys)),
            );
        }
        foreach ($rows as $i => $row) {
            $this->canvas->reach($row->key->id, new Box($axis->begin($i), $start, $axis->end($i), $bottom));
        }
        $this->highlight($axis, $rows, $start, $bottom);
        if (null !== $closing) {
            ClosingLine::draw(
                canvas: $this->canvas,
                orientation: Orientation::Vertical,
                across: $closing,
                from: $start,
                to: $foot + 17.0,
                isNamed: 0 === $place,
            );
        }

        return $bottom;
    }

    /** @param list<Row> $rows */
    private function highlight(BandAxis $axis, array $rows, float $top, float $bottom): void
    {
        foreach ($rows as $i => $row) {
            if ($this->finish->highlights($row->key)) {
                $this->canvas->addBehind(
                    'highlight',
                    Orientation::Vertical->bar(
                        centre: $axis->centre($i),
                        thickness: $axis->end($i) - $axis->begin($i),
                        from: $top,
                        to: $bottom,
                        style: Style::mark(Ink::AccentTint),
                        role: 'highlight',
                        key: $row->key->id,
                    ),
                );
            }
        }
    }

    /** @param non-empty-list<list<Row>> $panels */
    private static function grid(array $panels, int $width): PanelGrid
    {
        $most = max([1, ...array_map(\count(...), $panels)]);

        return PanelGrid::of(\count($panels), self::NAMES, $width - self::RIGHT, max(self::LEAST, 15.0 * $most));
    }
}

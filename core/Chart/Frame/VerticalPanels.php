<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\ClosingLine;
use KeenMargin\Core\Chart\Part\PeriodLabels;
use KeenMargin\Core\Chart\Part\RowNameLabels;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\SeriesNames;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Scale\LinearScale;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Chart\Tier\TierLayout;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Charts of columns: tiers one above the other, names below the lowest. */
final class VerticalPanels implements ChartBody
{
    private const NAMES = 58.0;
    private const RIGHT = 10.0;
    private const LEAST = 170.0;
    private const TITLE = 18.0;
    private const BETWEEN = 20.0;
    private const NAMES_BELOW = 14.0;

    private readonly PanelGrid $grid;
    /** @var ?list<float> how far names below the columns reach below the foot, by panel; null: not yet measured */
    private ?array $depths = null;
    /** @var ?list<Extent> how far the tiers reach; null: not yet measured */
    private ?array $extents = null;

    /**
     * @param list<SeriesKey> $keys
     * @param non-empty-list<list<Row>> $panels
     * @param list<list<Tier>> $charts tiers of each panel
     */
    public function __construct(
        private readonly Workings $workings,
        private readonly Finish $finish,
        private readonly array $keys,
        private readonly array $panels,
        private readonly array $charts,
    ) {
        $this->grid = self::grid($panels, $finish->width);
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
                !RowNameLabels::fitBelow(
                    $rows, BandAxis::over(RowNameLabels::standApart($rows), 0.0, $grid->width(), Grain::Month)->band,
                )
            ) {
                return false;
            }
        }

        return true;
    }

    public function draw(Canvas $canvas, float $top, Stretch $stretch): float
    {
        $layout = $this->layout($stretch);
        $bottom = $top;
        foreach (array_keys($this->panels) as $i) {
            $top = $this->grid->isFirst($i) && $i > 0 ? $bottom + self::BETWEEN : $top;
            $bottom = max($bottom, $this->panel($canvas, $i, $layout, $top));
        }

        return $bottom;
    }

    public function height(Stretch $stretch): float
    {
        $layout = $this->layout($stretch);
        $this->depths ??= array_map($this->depth(...), array_keys($this->panels));
        $top = $bottom = 0.0;
        foreach ($this->panels as $i => $rows) {
            $top = $this->grid->isFirst($i) && $i > 0 ? $bottom + self::BETWEEN : $top;
            $above = ('' === ($rows[0]->panel ?? '') ? 0.0 : self::TITLE) + $this->aboveLengths($rows, $this->axis($i));
            $bottom = max($bottom, $top + $above + $layout->size + $this->depths[$i]);
        }

        return $bottom;
    }

    public function hasUprightLengths(): bool
    {
        return true;
    }

    private function layout(Stretch $stretch): TierLayout
    {
        $isOne = 1 === \count($this->panels);
        $usual = $isOne ? max(180.0, min(380.0, 0.27 * $this->finish->width)) : 150.0;

        $this->extents ??= TierLayout::extents($this->charts);

        return TierLayout::vertical(
            $this->charts[0],
            $this->extents,
            $stretch->factor * $usual,
            SeriesNames::height($this->keys),
            $stretch->mostPerUnit,
        );
    }

    private function axis(int $panel): BandAxis
    {
        return BandAxis::over(
            RowNameLabels::standApart($this->panels[$panel]),
            $this->grid->left($panel),
            $this->grid->right($panel),
            $this->workings->context->by instanceof Grain ? $this->workings->context->by : Grain::Month,
        );
    }

    /**
     * Room for the name of the closing line.
     *
     * @param list<Row> $rows
     */
    private function aboveLengths(array $rows, BandAxis $axis): float
    {
        return null === ClosingLine::maybeAt($this->workings, $rows, $axis) ? 0.0 : 14.0;
    }

    /** How far the names below the columns of a panel reach below the foot. */
    private function depth(int $panel): float
    {
        return $this->names(new Canvas($this->finish->width), $panel, 0.0);
    }

    /** @return float the lowest y that was used */
    private function names(Canvas $canvas, int $panel, float $foot): float
    {
        $axis = $this->axis($panel);
        $rows = $this->panels[$panel];

        return $this->workings->context->isOverTime()
            ? PeriodLabels::write($canvas, $axis, $rows, $foot + self::NAMES_BELOW)
            : RowNameLabels::below($canvas, $axis, $rows, $foot + self::NAMES_BELOW);
    }

    private function panel(Canvas $canvas, int $place, TierLayout $layout, float $top): float
    {
        $rows = $this->panels[$place];
        $tiers = $this->charts[$place];
        $grid = $this->grid;
        $axis = $this->axis($place);
        $name = $rows[0]->panel ?? '';
        $y = $top;
        if ('' !== $name) {
            $canvas->write(
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
        $y += $this->aboveLengths($rows, $axis);
        $foot = $y + $layout->size;
        // Before the labels of the tiers, so that these keep off them.
        $bottom = $this->names($canvas, $place, $foot);
        foreach ($tiers as $i => $tier) {
            $scale = new LinearScale($y + $layout->zeros[$i], $layout->perUnit[$i]);
            if ('' !== $tier->name() && $grid->isFirst($place)) {
                $canvas->write(
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
            $tier->draw(new Stage(
                canvas: $canvas,
                orientation: Orientation::Vertical,
                axis: $axis,
                scale: $scale,
                labels: $this->finish->labels,
                isFirst: $grid->isFirst($place),
            ));
        }
        if ($grid->isFirst($place)) {
            $zero = $y + $layout->zeros[\count($tiers) - 1];
            $from = \count($tiers) > 1 ? $zero - SeriesNames::height($this->keys) - 20.0 : $y;
            SeriesNames::beside(
                $canvas,
                $this->keys,
                $grid->left($place) - 8.0,
                $foot > $zero + 20.0 ? min($from, $zero) : $from,
                max($zero, $from + 20.0 + SeriesNames::height($this->keys)),
            );
        }
        foreach ($rows as $i => $row) {
            $canvas->reach($row->key->id, new Box($axis->begin($i), $start, $axis->end($i), $bottom));
        }
        $this->highlight($canvas, $axis, $rows, $start, $bottom);
        if (null !== $closing) {
            ClosingLine::draw(
                canvas: $canvas,
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
    private function highlight(Canvas $canvas, BandAxis $axis, array $rows, float $top, float $bottom): void
    {
        foreach ($rows as $i => $row) {
            if ($this->finish->highlights($row->key)) {
                $canvas->addBehind(
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

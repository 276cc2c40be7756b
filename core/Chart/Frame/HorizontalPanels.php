<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\ClosingLine;
use KeenMargin\Core\Chart\Part\RowNames;
use KeenMargin\Core\Chart\Part\RowReach;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\SeriesNames;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Chart\Scale\LinearScale;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Chart\Tier\TierLayout;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Charts of bars: names at the left, tiers side by side under their heads, like a table. */
final readonly class HorizontalPanels
{
    private const RIGHT = 8.0;
    private const LEAST = 400.0;
    private const HEAD = 22.0;
    private const TITLE = 18.0;
    /** With less room for lengths than this, a tier is left out. */
    private const ROOM = 60.0;
    private const NAMES = 0.34;
    /** From this width on rows grow, where they are not many. */
    private const WIDE = 1000.0;
    private const MANY = 18;

    /**
     * @param list<SeriesKey> $keys
     * @param float $stretch of bands
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
     * @param non-empty-list<list<Row>> $panels
     * @param list<list<Tier>> $charts
     *
     * @return float the lowest y that was used
     */
    public function draw(array $panels, array $charts, float $top): float
    {
        $grid = PanelGrid::of(\count($panels), Canvas::MARGIN, $this->finish->width - self::RIGHT, self::LEAST);
        $names = max([
            0.0,
            ...array_map(
                static fn (array $rows): float => RowNames::width($rows, self::NAMES * $grid->width()),
                $panels,
            ),
        ]);
        $layout = TierLayout::horizontal($charts, $grid->width() - $names, $this->options->mostPerUnit);
        while ($layout->room < self::ROOM && \count($charts[0]) > 1) {
            $charts = array_map(static fn (array $tiers): array => \array_slice($tiers, 1), $charts);
            $layout = TierLayout::horizontal($charts, $grid->width() - $names, $this->options->mostPerUnit);
        }
        $bottom = $top;
        foreach ($panels as $i => $rows) {
            $top = $grid->isFirst($i) && $i > 0 ? $bottom + 18.0 : $top;
            $bottom = max(
                $bottom,
                $this->panel(
                    name: $rows[0]->panel ?? '',
                    rows: $rows,
                    tiers: $charts[$i],
                    layout: $layout,
                    grid: $grid,
                    place: $i,
                    names: $names,
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
        float $names,
        float $top,
    ): float {
        $left = $grid->left($place);
        if ('' !== $name) {
            $this->canvas->write(
                'title',
                Canvas::text(
                    $left,
                    $top + 11.0,
                    TextMeasure::shortened($name, $grid->width(), Type::LABEL, 600),
                    weight: 600,
                    role: 'panel',
                ),
            );
            $top += self::TITLE;
        }
        $axis = BandAxis::rows(
            RowNames::heights($rows, $names, $this->stretch, $this->usualHeight(\count($rows))),
            RowNames::standApart($rows),
            $top + ($this->hasHeads($tiers) ? self::HEAD : 0.0),
        );
        RowNames::beside($this->canvas, $axis, $rows, $left, $names);
        $this->heads($tiers, $layout, $left + $names, $top + 12.0);
        $right = $left + $names + $layout->size;
        foreach (array_reverse($tiers, true) as $i => $tier) {
            $scale = new LinearScale(
                $left + $names + $layout->zeros[$i],
                $layout->perUnit[$i],
                Orientation::Horizontal->sign(),
            );
            $tier->draw(new Stage($this->canvas, Orientation::Horizontal, $axis, $scale, $this->finish->labels));
        }
        RowReach::mark(
            canvas: $this->canvas,
            finish: $this->finish,
            axis: $axis,
            rows: $rows,
            left: $left,
            right: $right,
        );
        $closing = ClosingLine::maybeAt($this->workings, $rows, $axis);
        if (null !== $closing) {
            ClosingLine::draw(
                canvas: $this->canvas,
                orientation: Orientation::Horizontal,
                across: $closing,
                from: $left,
                to: $right,
                isNamed: 0 === $place,
            );
        }

        return $axis->stop + 4.0;
    }

    /** @param list<Tier> $tiers */
    private function hasHeads(array $tiers): bool
    {
        $named = array_filter($tiers, static fn (Tier $tier): bool => '' !== $tier->name());

        return [] !== $this->keys || [] !== $named;
    }

    /** Rows grow with the room, up to 36 points; of many rows they stay as they are. */
    private function usualHeight(int $rows): float
    {
        $growth = $rows > self::MANY ? 0.0 : ($this->finish->width - self::WIDE) / 55.0;

        return 24.0 + max(0.0, min(12.0, $growth));
    }

    /** @param list<Tier> $tiers */
    private function heads(array $tiers, TierLayout $layout, float $left, float $y): void
    {
        $last = \count($tiers) - 1;
        $next = $last > 0 ? $left + $layout->zeros[$last - 1] - 20.0 : $this->finish->width - self::RIGHT;
        foreach ($tiers as $i => $tier) {
            if ('' !== $tier->name()) {
                $this->canvas->writeIfFree(
                    'names',
                    Canvas::text(
                        $left + $layout->zeros[$i],
                        $y,
                        $tier->name(),
                        'middle',
                        Ink::Quiet,
                        role: 'tier-name',
                    ),
                );
            }
        }
        SeriesNames::above($this->canvas, $this->keys, $left + 2.0, $next, $y);
    }
}

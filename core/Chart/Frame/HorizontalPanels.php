<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\ClosingLine;
use KeenMargin\Core\Chart\Part\RowNameLabels;
use KeenMargin\Core\Chart\Part\RowReach;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\SeriesNames;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Chart\Scale\LinearScale;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Chart\Tier\TierLayout;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Charts of bars: names at the left, tiers side by side under their heads, like a table. */
final readonly class HorizontalPanels implements ChartBody
{
    private const RIGHT = 8.0;
    private const LEAST = 400.0;
    private const HEAD = 22.0;
    private const TITLE = 18.0;
    private const BETWEEN = 18.0;
    private const FOOT = 4.0;
    /** With less room for lengths than this, a tier is left out. */
    private const ROOM = 60.0;
    private const NAMES = 0.34;
    /** From this width on rows grow, where they are not many. */
    private const WIDE = 1000.0;
    private const MANY = 18;

    private PanelGrid $grid;
    /** Room for names, in points. */
    private float $names;
    /** @var list<list<float>> what names need of the height of their rows, by panel */
    private array $needed;

    /**
     * @param list<SeriesKey> $keys
     * @param non-empty-list<list<Row>> $panels
     * @param list<list<Tier>> $charts tiers of each panel
     * @param float $below points that tiers write below the last row
     */
    public function __construct(
        private Workings $workings,
        private Finish $finish,
        private array $keys,
        private array $panels,
        private array $charts,
        private float $below = 0.0,
    ) {
        $this->grid = PanelGrid::of(\count($panels), Canvas::MARGIN, $finish->width - self::RIGHT, self::LEAST);
        $most = self::NAMES * $this->grid->width();
        $widths = array_map(static fn (array $rows): float => RowNameLabels::width($rows, $most), $panels);
        $this->names = max([0.0, ...$widths]);
        $this->needed = array_map(fn (array $rows): array => RowNameLabels::needed($rows, $this->names), $panels);
    }

    public function draw(Canvas $canvas, float $top, Stretch $stretch): float
    {
        $tiers = $this->fittingTiers($stretch);
        $layout = $this->layout($tiers, $stretch);
        $bottom = $top;
        foreach (array_keys($this->panels) as $i) {
            $top = $this->grid->isFirst($i) && $i > 0 ? $bottom + self::BETWEEN : $top;
            $bottom = max($bottom, $this->panel(
                canvas: $canvas, place: $i, tiers: $tiers[$i], layout: $layout, top: $top, stretch: $stretch,
            ));
        }

        return $bottom;
    }

    public function height(Stretch $stretch): float
    {
        // With keys every panel has a head; else only where a tier has a name.
        $tiers = [] === $this->keys ? $this->fittingTiers($stretch) : $this->charts;
        $top = $bottom = 0.0;
        foreach ($this->panels as $i => $rows) {
            $top = $this->grid->isFirst($i) && $i > 0 ? $bottom + self::BETWEEN : $top;
            $title = '' === ($rows[0]->panel ?? '') ? 0.0 : self::TITLE;
            $bottom = max($bottom, $this->axis($i, $tiers[$i], $top + $title, $stretch)->stop + self::FOOT);
        }

        return $bottom + $this->below;
    }

    public function hasUprightLengths(): bool
    {
        return false;
    }

    /** @return list<list<Tier>> of each panel, without those that would leave too little room for lengths */
    private function fittingTiers(Stretch $stretch): array
    {
        $charts = $this->charts;
        while (\count($charts[0]) > 1 && $this->layout($charts, $stretch)->room < self::ROOM) {
            $charts = array_map(static fn (array $tiers): array => \array_slice($tiers, 1), $charts);
        }

        return $charts;
    }

    /** @param list<list<Tier>> $charts */
    private function layout(array $charts, Stretch $stretch): TierLayout
    {
        return TierLayout::horizontal($charts, $this->grid->width() - $this->names, $stretch->mostPerUnit);
    }

    /** @param list<Tier> $tiers */
    private function axis(int $panel, array $tiers, float $top, Stretch $stretch): BandAxis
    {
        $needed = $this->needed[$panel];

        return BandAxis::rows(
            RowNameLabels::heights($needed, $stretch->factor, $this->usualHeight(\count($needed))),
            RowNameLabels::standApart($this->panels[$panel]),
            $top + ($this->hasHeads($tiers) ? self::HEAD : 0.0),
        );
    }

    /** @param list<Tier> $tiers */
    private function panel(
        Canvas $canvas,
        int $place,
        array $tiers,
        TierLayout $layout,
        float $top,
        Stretch $stretch,
    ): float {
        $rows = $this->panels[$place];
        $grid = $this->grid;
        $names = $this->names;
        $name = $rows[0]->panel ?? '';
        $left = $grid->left($place);
        if ('' !== $name) {
            $canvas->write(
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
        $axis = $this->axis($place, $tiers, $top, $stretch);
        RowNameLabels::beside($canvas, $axis, $rows, $left, $names);
        $this->heads($canvas, $tiers, $layout, $left + $names, $top + 12.0);
        $right = $left + $names + $layout->size;
        foreach (array_reverse($tiers, true) as $i => $tier) {
            $scale = new LinearScale(
                $left + $names + $layout->zeros[$i], $layout->perUnit[$i], Orientation::Horizontal->sign(),
            );
            $tier->draw(new Stage($canvas, Orientation::Horizontal, $axis, $scale, $this->finish->labels));
        }
        RowReach::mark(canvas: $canvas, finish: $this->finish, axis: $axis, rows: $rows, left: $left, right: $right);
        $closing = ClosingLine::maybeAt($this->workings, $rows, $axis);
        if (null !== $closing) {
            ClosingLine::draw(
                canvas: $canvas,
                orientation: Orientation::Horizontal,
                across: $closing,
                from: $left,
                to: $right,
                isNamed: 0 === $place,
            );
        }

        return $axis->stop + self::FOOT;
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
    private function heads(Canvas $canvas, array $tiers, TierLayout $layout, float $left, float $y): void
    {
        $last = \count($tiers) - 1;
        $next = $last > 0 ? $left + $layout->zeros[$last - 1] - 20.0 : $this->finish->width - self::RIGHT;
        foreach ($tiers as $i => $tier) {
            if ('' !== $tier->name()) {
                $canvas->writeIfFree(
                    'names',
                    Canvas::text(
                        $left + $layout->zeros[$i], $y, $tier->name(), 'middle', Ink::Quiet, role: 'tier-name',
                    ),
                );
            }
        }
        SeriesNames::above($canvas, $this->keys, $left + 2.0, $next, $y);
    }
}

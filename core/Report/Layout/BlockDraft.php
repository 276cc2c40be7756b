<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Drawing\UndrawnChart;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\TitleLines;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Placing;

/** A block while its page is laid out: its place across is known, its height is sought. */
final class BlockDraft
{
    /** Charts are drawn no narrower than this, and then made smaller. */
    private const NARROWEST = 200.0;
    private const BELOW = 4.0;

    /** Null: it is no chart, or one that cannot be drawn. */
    public ?UndrawnChart $chart = null;
    /** Null until the page is laid out. */
    public ?Drawing $drawing = null;
    /** Of a chart its own height, before it is made to fit. */
    public float $natural = 0.0;
    public float $height = 0.0;
    /** What is asked of the chart, in points of its own; null: as high as it is by itself. */
    private ?int $asked = null;
    /** @var list<Mark> of what is no chart, from its own top left corner */
    public array $marks = [];
    /** @var list<PlacedText> what lines among these marks are broken from */
    public array $texts = [];
    /** Why a chart cannot be drawn. */
    public ?string $trouble = null;
    /** @var list<Mark> what a chart cannot follow, from the left below it */
    public array $below = [];
    /** @var list<PlacedText> what lines among these marks are broken from */
    public array $belowTexts = [];
    public float $belowHeight = 0.0;
    /** @var list<string> */
    public array $cannot = [];
    /** The line of the title that says whose figures they are; null: as the chart composes it. */
    public ?string $who = null;

    public function __construct(
        public readonly Block $block,
        public readonly float $left,
        public readonly float $width,
    ) {}

    /** Points of the page for a point of its chart. */
    public function scale(): float
    {
        return min(1.0, $this->width / self::NARROWEST);
    }

    /** The looks of a chart as wide as the block. */
    public function finish(Finish $finish): Finish
    {
        return With::of($finish, [
            'width' => (int) floor(max(self::NARROWEST, $this->width)),
            'height' => null,
            'message' => null,
            'title' => new TitleLines($finish->title->who ?? $this->who, $finish->title->what, $finish->title->when),
        ]);
    }

    /** @param UndrawnChart $chart as wide as the block */
    public function take(UndrawnChart $chart): void
    {
        $this->chart = $chart;
        $this->height = $this->whole($chart->height(null));
    }

    /** Asks its chart to be as high as that, if it can. */
    public function ask(float $height): void
    {
        if (null !== $this->chart) {
            $this->asked = $this->points($height);
            $this->height = $this->whole($this->chart->height($this->asked));
        }
    }

    /** @return array<string, float> how long units of its chart would be by itself, in points of the page, by scale */
    public function perUnit(): array
    {
        return array_map(
            fn (float $length): float => $this->scale() * $length,
            $this->chart?->perUnit($this->asked) ?? [],
        );
    }

    /** Draws its chart as high as it is asked to be, on a scale of its own. */
    public function draw(): void
    {
        if (null !== $this->chart) {
            $this->drawing = Drawing::drawn($this->chart, $this->asked);
            $this->height = $this->whole($this->drawing->scene->height);
        }
    }

    /**
     * Draws its chart on a scale that others share, without the room below its marks that it does not need then.
     *
     * @param array<string, float> $mostPerUnit points of the page, by scale
     */
    public function drawOnScale(float $height, array $mostPerUnit): void
    {
        if (null === $this->chart) {
            return;
        }
        $this->asked = $this->points($height);
        $this->drawing = Drawing::drawn(
            $this->chart,
            $this->asked,
            array_map(fn (float $length): float => $length / $this->scale(), $mostPerUnit),
        );
        $bottom = 0.0;
        foreach ($this->drawing->scene->marks() as $mark) {
            $bottom = max($bottom, MarkBox::of($mark)->bottom);
        }
        $this->height = $this->whole(min($this->drawing->scene->height, $bottom + self::BELOW));
    }

    /**
     * Where it stands on its page.
     *
     * @param string $row id of its row
     */
    public function placed(string $row, float $top, ReportDrawing $drawing): PlacedBlock
    {
        $bottom = $top + $this->height - $this->belowHeight;
        $own = new Placing($this->left, $top);
        $below = new Placing($this->left, $bottom);

        return new PlacedBlock(
            block: $this->block,
            row: $row,
            left: $this->left,
            top: $top,
            width: $this->width,
            height: $this->height,
            drawing: $this->drawing,
            scale: $this->scale(),
            marks: [...array_map($own->mark(...), $this->marks), ...array_map($below->mark(...), $this->below)],
            texts: [
                ...array_map(fn (PlacedText $one): PlacedText => $one->moved($this->left, $top), $this->texts),
                ...array_map(fn (PlacedText $one): PlacedText => $one->moved($this->left, $bottom), $this->belowTexts),
            ],
            trouble: $this->trouble,
            cannot: $this->cannot,
            name: $this->block instanceof ChartBlock ? $drawing->nameOf($this->block) : '',
        );
    }

    /** What is left of a height of the page for the chart, in points of its own. */
    private function points(float $height): int
    {
        return (int) round(($height - $this->belowHeight) / $this->scale());
    }

    /** With what stands below its chart, in points of the page. */
    private function whole(float $height): float
    {
        return $this->scale() * $height + $this->belowHeight;
    }
}

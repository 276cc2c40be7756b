<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\TitleLines;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\MarkBox;

/** A block while its page is laid out: its place across is known, its height is sought. */
final class BlockDraft
{
    /** Charts are drawn no narrower than this, and then made smaller. */
    private const NARROWEST = 200.0;
    private const BELOW = 4.0;

    public ?Drawing $drawing = null;
    /** Of a chart its own height, before it is made to fit. */
    public float $natural = 0.0;
    public float $height = 0.0;
    /** @var list<Mark> of what is no chart, from its own top left corner */
    public array $marks = [];
    /** Why a chart cannot be drawn. */
    public ?string $trouble = null;
    /** @var list<Mark> what a chart cannot follow, from the left below it */
    public array $below = [];
    public float $belowHeight = 0.0;
    /** @var list<string> */
    public array $cannot = [];
    /** The line of the title that says whose figures they are; null: as the chart composes it. */
    public ?string $who = null;

    public function __construct(
        public readonly Block $block,
        public readonly float $left,
        public readonly float $width,
    ) {
    }

    /** Points of the page for a point of its chart. */
    public function scale(): float
    {
        return min(1.0, $this->width / self::NARROWEST);
    }

    /**
     * The looks of a chart as wide as the block.
     *
     * @param ?float $height of the block; null: as high as the chart is by itself
     */
    public function finish(Finish $finish, ?float $height): Finish
    {
        return With::of($finish, [
            'width' => (int) floor(max(self::NARROWEST, $this->width)),
            'height' => null === $height ? null : (int) round(($height - $this->belowHeight) / $this->scale()),
            'message' => null,
            'title' => new TitleLines($finish->title->who ?? $this->who, $finish->title->what, $finish->title->when),
        ]);
    }

    public function drawn(Drawing $drawing): void
    {
        $this->drawing = $drawing;
        $this->height = $this->scale() * $drawing->scene->height + $this->belowHeight;
    }

    /** Without the room below its marks that a chart on a common scale does not need. */
    public function trim(): void
    {
        if (null === $this->drawing) {
            return;
        }
        $bottom = 0.0;
        foreach ($this->drawing->scene->marks() as $mark) {
            $bottom = max($bottom, MarkBox::of($mark)->bottom);
        }
        $needed = $this->scale() * ($bottom + self::BELOW) + $this->belowHeight;
        $this->height = min($this->height, $needed);
    }
}

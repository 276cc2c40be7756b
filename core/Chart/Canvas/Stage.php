<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Canvas;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Scale\BandAxis;
use KeenMargin\Core\Chart\Scale\LinearScale;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Text;

/** Where a tier draws: its bands, its scale and its orientation. */
final readonly class Stage
{
    /** @param bool $isFirst whether it is the first chart of its row, beside which names have room */
    public function __construct(
        public Canvas $canvas,
        public Orientation $orientation,
        public BandAxis $axis,
        public LinearScale $scale,
        public Labels $labels,
        public bool $isFirst = true,
    ) {}

    /** A bar from one amount to another; from nought where one is told. */
    public function bar(
        float $centre,
        float $thickness,
        BigDecimal|float $from,
        BigDecimal|float $to,
        Style $style,
        string $role,
        ?string $key,
        ?string $of,
        ?Measures $measures = null,
    ): Rect {
        return $this->orientation->bar(
            centre: $centre,
            thickness: $thickness,
            from: $this->scale->at($from),
            to: $this->scale->at($to),
            style: $style,
            role: $role,
            key: $key,
            of: $of,
            measures: $measures,
        );
    }

    /**
     * A text beyond an amount, away from nought or towards it.
     *
     * @param 400|600 $weight
     */
    public function label(
        float $centre,
        BigDecimal|float $amount,
        bool $isAbove,
        string $text,
        Ink $ink,
        int $weight,
        string $role,
        ?string $key,
        ?string $of,
        float $further = 0.0,
    ): Text {
        return $this->orientation->label(
            across: $centre,
            along: $this->scale->beyond($this->scale->at($amount), $isAbove ? $further : -$further),
            isAbove: $isAbove,
            text: $text,
            ink: $ink,
            weight: $weight,
            role: $role,
            key: $key,
            of: $of,
        );
    }

    /** The line of nought along all bands. */
    public function nought(): void
    {
        $this->canvas->add(
            'axis',
            $this->orientation->tick(
                from: $this->axis->start,
                to: $this->axis->stop,
                along: $this->scale->zero,
                ink: Ink::Ink,
                thickness: 1.4,
                role: 'axis',
            ),
        );
    }

    /** @param array<int, PlacedLabel> $labels */
    public function write(array $labels): void
    {
        LabelPlacer::place($this->canvas, 'labels', $labels, $this->labels);
    }
}

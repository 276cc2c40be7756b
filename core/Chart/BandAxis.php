<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Time\Grain;

/** Equal bands from left to right, one a period. A coarser grain has wider bands and columns. */
final readonly class BandAxis
{
    private function __construct(public float $left, public float $band, public int $count, public float $column)
    {
    }

    public static function over(int $count, float $left, float $right, Grain $grain): self
    {
        $widest = match ($grain) {
            Grain::Timeless, Grain::Day => 30.0,
            Grain::Week => 40.0,
            Grain::Month => 112.0,
            Grain::Quarter => 144.0,
            Grain::HalfYear => 176.0,
            Grain::Year => 208.0,
        };
        $band = min($widest, ($right - $left) / max(1, $count));
        $share = match ($grain) {
            Grain::Timeless, Grain::Day, Grain::Week => 0.56,
            Grain::Month => 0.49,
            Grain::Quarter => 0.53,
            Grain::HalfYear => 0.56,
            Grain::Year => 0.6,
        };

        return new self($left, $band, $count, $band * $share);
    }

    public function centre(int $i): float
    {
        return $this->left + ($i + 0.5) * $this->band;
    }

    /** Where the band ends. */
    public function end(int $i): float
    {
        return $this->left + ($i + 1) * $this->band;
    }

    public function right(): float
    {
        return $this->left + $this->count * $this->band;
    }
}

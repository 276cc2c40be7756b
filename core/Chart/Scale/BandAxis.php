<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Scale;

use KeenMargin\Core\Time\Grain;

/**
 * Bands one after the other, a row each; sums may stand apart at the end. A coarser grain has wider bands and columns.
 */
final readonly class BandAxis
{
    private const APART = 0.45;

    /** @param list<array{float, float}> $bands where each begins and ends */
    private function __construct(
        public float $start,
        public float $stop,
        private array $bands,
        public float $band,
        public float $column,
    ) {}

    /** @param list<bool> $apart for each band whether it stands apart from the one before */
    public static function over(array $apart, float $start, float $end, Grain $grain): self
    {
        $widest = match ($grain) {
            Grain::Day => 30.0,
            Grain::Week => 40.0,
            Grain::Timeless, Grain::Month => 112.0,
            Grain::Quarter => 144.0,
            Grain::HalfYear => 176.0,
            Grain::Year => 208.0,
        };
        $share = match ($grain) {
            Grain::Day, Grain::Week => 0.56,
            Grain::Timeless, Grain::Month => 0.49,
            Grain::Quarter => 0.53,
            Grain::HalfYear => 0.56,
            Grain::Year => 0.6,
        };
        $units = \count($apart) + self::APART * \count(array_filter($apart));
        $band = min($widest, ($end - $start) / max(1.0, $units));

        return self::of(
            sizes: array_fill(0, \count($apart), $band),
            apart: $apart,
            start: $start,
            gap: self::APART * $band,
            band: $band,
            column: $band * $share,
        );
    }

    /**
     * @param list<float> $heights of the rows
     * @param list<bool> $apart
     */
    public static function rows(array $heights, array $apart, float $start): self
    {
        $band = [] === $heights ? 24.0 : min($heights);

        return self::of(
            sizes: $heights,
            apart: $apart,
            start: $start,
            gap: 8.0,
            band: $band,
            column: $band > 30.0 ? 0.56 * $band - 2.8 : min(14.0, 0.56 * $band),
        );
    }

    public function centre(int $i): float
    {
        return ($this->bands[$i][0] + $this->bands[$i][1]) / 2;
    }

    public function begin(int $i): float
    {
        return $this->bands[$i][0];
    }

    public function end(int $i): float
    {
        return $this->bands[$i][1];
    }

    /**
     * @param list<float> $sizes
     * @param list<bool> $apart
     */
    private static function of(array $sizes, array $apart, float $start, float $gap, float $band, float $column): self
    {
        $bands = [];
        $at = $start;
        foreach ($sizes as $i => $size) {
            $at += $apart[$i] && $i > 0 ? $gap : 0.0;
            $bands[] = [$at, $at + $size];
            $at += $size;
        }

        return new self($start, $at, $bands, $band, $column);
    }
}

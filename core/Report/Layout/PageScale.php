<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Drawing\MeasuredChart;

/** How long a unit may be at most in charts that share a scale: by what they count, and by kind of length. */
final readonly class PageScale
{
    /** Lengths that differ by less than this part are the same. */
    private const TOLERANCE = 0.0005;

    /**
     * @param array<string, array<string, float>> $perUnit points of the page, by what is counted (`EUR`, `% points`)
     *                                                     and by scale
     */
    public function __construct(public array $perUnit = [])
    {
    }

    /**
     * The shortest length that any of the charts needs, each measured as it is drawn by itself.
     *
     * @param list<BlockDraft> $drafts
     */
    public static function of(array $drafts): self
    {
        $least = [];
        foreach ($drafts as $draft) {
            $measured = $draft->drawing?->measured();
            $counted = $measured?->counted() ?? '';
            foreach ($measured?->perUnit() ?? [] as $scale => $length) {
                $least[$counted][$scale] = min($draft->scale() * $length, $least[$counted][$scale] ?? \INF);
            }
        }

        return new self($least);
    }

    /** The shorter of both, where both have a length. */
    public function with(self $other): self
    {
        $least = $this->perUnit;
        foreach ($other->perUnit as $counted => $lengths) {
            foreach ($lengths as $scale => $length) {
                $least[$counted][$scale] = min($length, $least[$counted][$scale] ?? \INF);
            }
        }

        return new self($least);
    }

    /**
     * The lengths that a chart may have.
     *
     * @return array<string, float> points of the chart by scale
     */
    public function most(BlockDraft $draft, MeasuredChart $chart): array
    {
        return array_map(
            static fn (float $length): float => $length / $draft->scale(),
            $this->perUnit[$chart->counted()] ?? [],
        );
    }

    /** Whether no length of a chart is longer than the scale leaves; what has no lengths is on any. */
    public function holds(BlockDraft $draft): bool
    {
        $measured = $draft->drawing?->measured();
        if (null === $measured) {
            return true;
        }
        $most = $this->most($draft, $measured);
        foreach ($measured->perUnit() as $of => $length) {
            if ($length > (1.0 + self::TOLERANCE) * ($most[$of] ?? \INF)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Measures drawn charts: those that have a length which is not the common one.
     *
     * @param list<BlockDraft> $drafts as drawn
     *
     * @return array<string, list<string>> ids of their blocks, by what is counted; what no two charts count is left out
     */
    public static function off(array $drafts): array
    {
        $lengths = [];
        foreach ($drafts as $draft) {
            $measured = $draft->drawing?->measured();
            $counted = $measured?->counted() ?? '';
            foreach ($measured?->perUnit() ?? [] as $scale => $length) {
                $lengths[$counted][$scale][$draft->block->id()] = $draft->scale() * $length;
            }
        }
        $off = [];
        foreach ($lengths as $counted => $scales) {
            foreach ($scales as $of) {
                if (\count($of) < 2) {
                    continue;
                }
                $off[$counted] ??= [];
                $common = min($of);
                foreach ($of as $block => $length) {
                    if ($length - $common > self::TOLERANCE * $common) {
                        $off[$counted][] = (string) $block;
                    }
                }
            }
        }

        return array_map(static fn (array $ids): array => array_values(array_unique($ids)), $off);
    }
}

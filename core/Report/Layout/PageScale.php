<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

/** How long a unit may be at most in charts that share a scale: by what they count, and by kind of length. */
final readonly class PageScale
{
    /** Lengths that differ by less than this part are the same. */
    private const TOLERANCE = 0.0005;

    /**
     * @param array<string, array<string, float>> $perUnit points of the page, by what is counted (`EUR`, `% points`)
     *                                                     and by scale
     */
    public function __construct(public array $perUnit = []) {}

    /**
     * The shortest length that any of the charts needs, each measured as it is drawn by itself.
     *
     * @param list<BlockDraft> $drafts
     */
    public static function of(array $drafts): self
    {
        $least = [];
        foreach ($drafts as $draft) {
            $counted = $draft->chart?->counted() ?? '';
            foreach ($draft->perUnit() as $scale => $length) {
                $least[$counted][$scale] = min($length, $least[$counted][$scale] ?? \INF);
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

    /** @return array<string, float> the lengths that a chart may have, by scale; none: any */
    public function most(BlockDraft $draft): array
    {
        return $this->perUnit[$draft->chart?->counted() ?? ''] ?? [];
    }

    /** Whether no length of a chart by itself is longer than the scale leaves; what has no lengths is on any. */
    public function holds(BlockDraft $draft): bool
    {
        $most = $this->most($draft);
        foreach ([] === $most ? [] : $draft->perUnit() as $of => $length) {
            if ($length > (1.0 + self::TOLERANCE) * ($most[$of] ?? \INF)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Measures drawn charts: those that have a length which is not the common one.
     *
     * @param list<PlacedBlock> $blocks as drawn
     *
     * @return array<string, list<string>> ids of their blocks, by what is counted; what no two charts count is left out
     */
    public static function off(array $blocks): array
    {
        $lengths = [];
        foreach ($blocks as $placed) {
            $measured = $placed->drawing?->measured();
            $counted = $measured?->counted() ?? '';
            foreach ($measured?->perUnit() ?? [] as $scale => $length) {
                $lengths[$counted][$scale][$placed->block->id()] = $placed->scale * $length;
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

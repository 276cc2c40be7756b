<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\TextMeasure;

/**
 * Sees to it that texts hold where the machine that opens a deck lacks its fonts: one that would run into another, or
 * off the slide, with letters that are 8 % wider is set as much smaller.
 */
final class WiderLetters
{
    /** By so much letters of another font may be wider. */
    public const WIDER = 1.08;
    /** Of capital letters and of what hangs below the baseline, in parts of the size. */
    private const ABOVE = 0.78;
    private const BELOW = 0.22;

    /** @var array<int, true> shapes that are set smaller, by their object's id */
    private array $crowded = [];

    /**
     * @param list<Placed> $nodes
     * @param float $width of the slide in points
     *
     * @return list<Placed>
     */
    public static function fitted(array $nodes, float $width): array
    {
        $own = new self();
        $texts = [];
        foreach ($nodes as $placed) {
            foreach (self::texts($placed->node) as $shape) {
                $texts[] = [$shape, self::box($shape, 1.0), self::box($shape, self::WIDER)];
            }
        }
        usort($texts, static fn (array $one, array $other): int => $one[1]->top <=> $other[1]->top);
        foreach ($texts as $i => [$shape, $natural, $wide]) {
            if ($wide->right > $width || $wide->left < 0.0) {
                $own->crowded[spl_object_id($shape)] = true;
            }
            for ($n = $i + 1; $n < \count($texts) && $texts[$n][1]->top < $natural->bottom; ++$n) {
                if ($texts[$n][2]->overlaps($wide) && !$texts[$n][1]->overlaps($natural)) {
                    $own->crowded[spl_object_id($shape)] = true;
                    $own->crowded[spl_object_id($texts[$n][0])] = true;
                }
            }
        }

        return [] === $own->crowded
            ? $nodes
            : array_map(
                static fn (Placed $placed): Placed => new Placed($placed->block, $own->node($placed->node)),
                $nodes,
            );
    }

    /** Where the text of a shape of one line is, with letters wider by a factor. */
    public static function box(SlideShape $shape, float $factor): Box
    {
        $line = $shape->text->lines[0] ?? new TextLine([]);
        $width = $size = 0.0;
        foreach ($line->pieces as $piece) {
            $width += $factor * TextMeasure::width($piece->text, $piece->size, $piece->weight);
            $size = max($size, $piece->size);
        }
        $frame = $shape->frame;
        $left = match ($line->anchor) {
            'start' => $frame->left,
            'middle' => $frame->left + ($frame->width - $width) / 2.0,
            'end' => $frame->left + $frame->width - $width,
        };
        $baseline = $frame->top + $frame->height - TextBody::BELOW_BASELINE * $size;

        return new Box($left, $baseline - self::ABOVE * $size, $left + $width, $baseline + self::BELOW * $size);
    }

    /** @return \Generator<int, SlideShape> those with one line that is not broken */
    public static function texts(Node $node): \Generator
    {
        if ($node instanceof ShapeGroup) {
            foreach ($node->nodes as $one) {
                yield from self::texts($one);
            }
        } elseif ($node instanceof SlideShape && null !== $node->text && !$node->text->wraps) {
            yield $node;
        }
    }

    private function node(Node $node): Node
    {
        if ($node instanceof ShapeGroup) {
            return With::of($node, ['nodes' => array_map($this->node(...), $node->nodes)]);
        }

        return $node instanceof SlideShape && isset($this->crowded[spl_object_id($node)])
            ? With::of($node, ['text' => $node->text?->sized(1.0 / self::WIDER)])
            : $node;
    }
}

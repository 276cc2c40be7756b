<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\Core\Document\With;

/** Shapes at another place. */
final class Moved
{
    /**
     * @template T of Node
     *
     * @param T $node
     *
     * @return T
     */
    public static function by(Node $node, float $right, float $down): Node
    {
        if ($node instanceof ShapeGroup) {
            $nodes = array_map(static fn (Node $one): Node => self::by($one, $right, $down), $node->nodes);

            return With::of($node, ['nodes' => $nodes]);
        }
        $room = $node instanceof SlideShape ? $node->room : null;

        return With::of($node, [
            'frame' => $node->frame()->moved($right, $down),
            ...null === $room ? [] : ['room' => $room->moved($right, $down)],
        ]);
    }

    /** With another area. */
    public static function withArea(ShapeGroup $group, SlideShape $area): ShapeGroup
    {
        $nodes = array_filter(
            $group->nodes,
            static fn (Node $node): bool => !$node instanceof SlideShape || $area->key !== $node->key,
        );

        return With::of($group, ['nodes' => [$area, ...array_values($nodes)]]);
    }
}

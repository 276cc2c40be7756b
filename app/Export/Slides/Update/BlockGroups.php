<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Given\OldShape;

/** Finds the groups that stand for blocks. */
final class BlockGroups
{
    private const AREA = 'area';

    /** Id of the block that a group stands for: its own tag tells, or the area that stands in it; null: for none. */
    public static function maybeBlock(OldShape $shape): ?string
    {
        if (!$shape->isGroup()) {
            return null;
        }
        if (null !== $shape->tag && '' === $shape->tag->shape) {
            return $shape->tag->block;
        }
        foreach ($shape->children as $child) {
            if (self::AREA === $child->tag?->shape && !$child->isGroup()) {
                return $child->tag->block;
            }
        }

        return null;
    }
}

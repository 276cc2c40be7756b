<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\Placing;
use KeenMargin\Core\Scene\Scene;

/** A block of a page as a picture of its own, as it stands there. */
final class BlockPicture
{
    public static function of(PlacedBlock $block): Scene
    {
        $drawn = $block->drawing?->scene;
        $chart = null === $drawn ? [] : (new Placing(0.0, 0.0, $block->scale))->marks($drawn);
        $own = array_map((new Placing(-$block->left, -$block->top))->mark(...), $block->marks);

        return new Scene(
            width: $block->width,
            height: $block->height,
            title: $drawn->title ?? '',
            description: $drawn->description ?? '',
            groups: [new Group([...$chart, ...$own], 'block')],
            colours: $drawn->colours ?? 'effect',
        );
    }
}

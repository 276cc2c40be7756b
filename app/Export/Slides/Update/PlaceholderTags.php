<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Given\OldShape;
use KeenMargin\App\Export\Slides\PageSlide;
use KeenMargin\App\Export\Slides\Part\DeckMemory;
use KeenMargin\App\Export\Slides\Shape\Tag;

/** What placeholders are, where the program that saved a deck gave them names of its own. */
final class PlaceholderTags
{
    /** Points by which one that nobody moved differs from where it was written. */
    private const NEAR = 1.0;

    /** Null where it is none, or none that came from here. */
    public static function maybe(OldShape $shape, string $page, DeckMemory $memory): ?Tag
    {
        $type = $shape->maybePlaceholder();
        if (null === $type || null !== $shape->tag) {
            return null;
        }
        if ('title' === $type || 'ctrTitle' === $type) {
            return self::read($memory->maybeBlock($page, $page)->tags[PageSlide::MESSAGE] ?? '');
        }
        $said = Tag::ofText($shape->text());
        foreach ($memory->blocks($page) as $block) {
            foreach ($block->tags as $key => $written) {
                $tag = self::read($written);
                $isSame = null !== $tag
                    && PageSlide::MESSAGE !== $key
                    && ($tag->text === $said || self::isThere($shape, $tag));
                if ($isSame) {
                    return $tag;
                }
            }
        }

        return null;
    }

    private static function isThere(OldShape $shape, Tag $tag): bool
    {
        return null !== $shape->frame && null !== $tag->frame && $shape->frame->isNear($tag->frame, self::NEAR);
    }

    private static function read(string $written): ?Tag
    {
        return Tag::maybeIn($written);
    }
}

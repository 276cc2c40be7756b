<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Given\OldShape;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Shape\SlideShape;
use KeenMargin\Core\Document\Wording;

/** How much of a block is otherwise than before. */
final class ChangeCounts
{
    public int $texts = 0;
    public int $places = 0;
    public int $deleted = 0;
    public int $added = 0;
    /** @var array<string, true> keys of shapes that were there */
    public array $known = [];

    /** @param float $tolerance points by which edges may differ */
    public function take(OldShape $was, SlideShape $now, HandWork $hand, float $tolerance): void
    {
        $this->known[$now->key] = true;
        $says = $now->text?->text() ?? '';
        $this->texts += !$hand->isReworded && '' !== $says && $says !== $was->text() ? 1 : 0;
        $isSame = null === $was->frame || $was->frame->isNear($now->frame, $tolerance);
        $this->places += !$hand->isMoved && '' === $says && !$isSame ? 1 : 0;
    }

    /** Whether nothing of a row was there. */
    public function areNew(ShapeGroup $row): bool
    {
        foreach ($row->nodes as $node) {
            if (!$node instanceof SlideShape || isset($this->known[$node->key])) {
                return false;
            }
        }

        return true;
    }

    /** `12 texts and 9 shapes`; blank where nothing changed. */
    public function words(): string
    {
        return implode(' and ', array_filter([
            0 === $this->texts ? '' : Wording::count($this->texts, 'text', 'texts'),
            0 === $this->places + $this->added ? '' : self::shapes($this->places + $this->added),
        ]));
    }

    public function deletedWords(): string
    {
        return Wording::count($this->deleted, 'shape that was deleted stays', 'shapes that were deleted stay').' away';
    }

    public static function shapes(int $count): string
    {
        return Wording::count($count, 'shape', 'shapes');
    }
}

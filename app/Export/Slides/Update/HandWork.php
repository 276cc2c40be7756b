<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Given\OldShape;
use KeenMargin\App\Export\Slides\Shape\Kept;
use KeenMargin\App\Export\Slides\Shape\SlideShape;
use KeenMargin\App\Export\Slides\Shape\Space;
use KeenMargin\App\Export\Slides\Shape\Tag;

/** What somebody did by hand to a shape that came from here. */
final readonly class HandWork
{
    /** Points by which programs move what they save. */
    private const TOLERANCE = 0.45;

    private function __construct(
        private OldShape $shape,
        public bool $isMoved,
        public bool $isFilled,
        public bool $isOutlined,
        public bool $isInked,
        public bool $isReworded,
    ) {}

    /**
     * @param Tag $tag how it was written
     * @param Space $space which its block was moved by
     */
    public static function of(OldShape $shape, Tag $tag, Space $space, InkForms $inks): self
    {
        $written = null === $tag->frame ? null : $space->onSlide($tag->frame);
        $tolerance = self::TOLERANCE * max(1.0, $space->across, $space->down);
        [$fill, $stroke, $letters] = [$tag->inks[0] ?? null, $tag->inks[1] ?? null, $tag->inks[2] ?? null];
        $textFill = $shape->textFill();
        $isTurned = 1 === preg_match('/\brot="-?[1-9]/', $shape->turned());

        return new self(
            shape: $shape,
            isMoved: null !== $written
                && null !== $shape->frame
                && ($isTurned || !$shape->frame->isNear($written, $tolerance)),
            isFilled: 'sp' === $shape->kind && !$inks->isInk($fill, $shape->fill()),
            isOutlined: !$inks->isInk($stroke, $shape->line()),
            isInked: null !== $letters && '' !== $textFill && !$inks->isInk($letters, $textFill),
            isReworded: '' !== $tag->text && $tag->text !== Tag::ofText($shape->text()),
        );
    }

    /** @return list<string> `moved`, `coloured`, `reworded` */
    public function words(): array
    {
        return array_keys(array_filter([
            'moved, resized or turned' => $this->isMoved,
            'recoloured' => $this->isFilled || $this->isOutlined || $this->isInked,
            'reworded' => $this->isReworded,
        ]));
    }

    /**
     * What stays of it.
     *
     * @param SlideShape $now as it would be written
     */
    public function kept(SlideShape $now): Kept
    {
        return new Kept(
            id: $this->shape->id > 0 ? $this->shape->id : null,
            frame: $this->isMoved ? $this->shape->frame : null,
            turned: $this->shape->turned(),
            fill: $this->isFilled ? $this->shape->fill() : null,
            line: $this->isOutlined ? $this->shape->line() : null,
            textFill: $this->isInked ? $this->shape->textFill() : null,
            body: $this->isReworded && null !== $now->text ? $this->shape->body() : null,
            placeholder: $this->shape->placeholder(),
        );
    }
}

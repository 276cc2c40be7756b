<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Placing;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Check;

/** A page as it prints. */
final readonly class DrawnPage
{
    /**
     * @param float $height of the paper; of a column as high as it came out
     * @param LaidText $message in lines
     * @param float $messageBottom where the rule below it is
     * @param list<Mark> $frame rules, notes in the margin, the foot
     * @param list<PlacedText> $noteTexts what the notes in the margin say
     * @param list<PlacedBlock> $blocks
     * @param list<PageNote> $notes
     * @param float $over by how many points blocks or notes reach beyond the page
     * @param list<Check> $checks about the page as a whole
     */
    public function __construct(
        public Page $page,
        public int $number,
        public Paper $paper,
        public float $height,
        public LaidText $message,
        public float $messageBottom,
        public array $frame,
        public array $noteTexts,
        public array $blocks,
        public array $notes,
        public float $over,
        public array $checks,
    ) {}

    /**
     * What the page is painted of, in reading order, each with its own colours: message and frame, then the blocks.
     *
     * @return non-empty-list<Scene>
     */
    public function scenes(): array
    {
        $scenes = [$this->scene([new Group($this->message->marks, 'message'), new Group($this->frame, 'frame')])];
        foreach ($this->blocks as $block) {
            $drawn = $block->drawing?->scene;
            $marks = [
                ...null === $drawn ? [] : (new Placing($block->left, $block->top, $block->scale))->marks($drawn),
                ...$block->marks,
            ];
            $scenes[] = $this->scene([new Group($marks, 'block')], $drawn->colours ?? 'effect');
        }

        return $scenes;
    }

    /** All of it as one picture. */
    public function picture(): Scene
    {
        $groups = array_merge([], ...array_map(static fn (Scene $scene): array => $scene->groups, $this->scenes()));

        return $this->scene($groups);
    }

    /** `84 points, 12 % of the page`; null where all of it has room. */
    public function maybeOver(): ?string
    {
        if ($this->over < 1.0) {
            return null;
        }
        $percent = max(1, (int) round((100.0 * $this->over) / $this->height));

        return Wording::count((int) ceil($this->over), 'point', 'points').", $percent % of the page";
    }

    /** @param list<Group> $groups */
    private function scene(array $groups, string $colours = 'effect'): Scene
    {
        $title = '' === $this->page->title ? "Page $this->number" : $this->page->title;

        return new Scene(
            width: $this->paper->width,
            height: $this->height,
            title: $title,
            description: $this->page->message->said(),
            groups: $groups,
            colours: $colours,
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Template;

use KeenMargin\App\Export\Slides\Given\OldDeck;
use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Export\Slides\Package\OpenedPackage;
use KeenMargin\App\Export\Slides\Paint\Palette;
use KeenMargin\App\Export\Slides\Part\DeckMemory;
use KeenMargin\App\Export\Slides\Part\Slide;
use KeenMargin\App\Export\Slides\Part\SpeakerNotes;
use KeenMargin\App\Export\Slides\Part\Speech;
use KeenMargin\App\Export\Slides\Shape\ShapeWriter;
use KeenMargin\App\Export\Slides\SlideContent;
use KeenMargin\App\Export\Slides\SlideMemory;
use KeenMargin\App\Export\Slides\SlideWriter;

/** A deck in the organisation's own template: its slides are taken out, and pages of a report put in. */
final class TemplateDeck implements SlideWriter
{
    private readonly OpenedPackage $package;
    private readonly OldDeck $deck;
    private readonly Palette $palette;
    private readonly DeckMemory $memory;
    private ?string $last = null;

    /** @throws DeckRefused where the file is not what it was */
    public function __construct(private readonly Template $template)
    {
        $this->package = OpenedPackage::open($template->path);
        $this->deck = OldDeck::of($this->package);
        $this->palette = new Palette($template->roles);
        $this->memory = new DeckMemory();
        $this->memory->look = $template->look();
        foreach ($this->deck->slides as $slide) {
            $this->deck->remove($slide);
        }
        $this->deck->asPresentation();
    }

    /** @param list<Speech> $speeches */
    public function add(SlideContent $page, array $speeches): void
    {
        SlideMemory::take($page, $this->memory);
        $writer = new ShapeWriter($this->palette);
        $slide = Slide::xml($page->name, $writer->all($page->nodes));
        $this->last = $this->deck->add($slide, $this->last, $this->template->layout->part);
        $tag = $this->deck->addNotes($this->last, $page->id, $speeches);
        $this->memory->block($page->id, $page->id)->tags[SpeakerNotes::KEY] = $tag;
    }

    public function leaveOut(string $page): void
    {
        $this->memory->block($page, $page);
    }

    public function bytes(): string
    {
        $this->deck->remember($this->memory);

        return $this->package->bytes();
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Given\OldDeck;
use KeenMargin\App\Export\Slides\Given\OldSlide;
use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Export\Slides\Package\OpenedPackage;
use KeenMargin\App\Export\Slides\Package\Relation;
use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\PageSlide;
use KeenMargin\App\Export\Slides\Paint\Palette;
use KeenMargin\App\Export\Slides\Part\DeckLook;
use KeenMargin\App\Export\Slides\Part\DeckMemory;
use KeenMargin\App\Export\Slides\Part\Slide;
use KeenMargin\App\Export\Slides\Part\SpeakerNotes;
use KeenMargin\App\Export\Slides\Part\Speech;
use KeenMargin\App\Export\Slides\Shape\Tag;
use KeenMargin\App\Export\Slides\SlideMemory;

/** Brings a deck that was made here, and then worked on by hand, to the state of its report. */
final class DeckUpdate
{
    private const MOST_SHAPES = 60_000;

    private readonly OpenedPackage $package;
    private readonly OldDeck $deck;
    private readonly DeckMemory $memory;
    private readonly UpdateRun $run;
    private NewContent $content;
    /** @var array<string, list<Speech>> what is said under slides, by page */
    private array $speeches = [];
    /** @var array<string, string> parts of slides, the first of each page, by page */
    private array $slideOf = [];

    /**
     * @param string $path of the deck, which is not changed
     *
     * @throws DeckRefused where it is no deck
     */
    public function __construct(string $path)
    {
        $this->package = OpenedPackage::open($path);
        $this->deck = OldDeck::of($this->package);
        $this->memory = DeckMemory::read($this->deck->memory());
        $this->run = new UpdateRun(new Palette($this->memory->look->roles ?? Palette::OWN), $this->memory);
    }

    /** How the template of the deck is used; null: it has none. */
    public function maybeLook(): ?DeckLook
    {
        return $this->memory->look;
    }

    /**
     * Does it, once.
     *
     * @param array<string, list<Speech>> $speeches what is said under slides, by page
     *
     * @throws DeckRefused where the deck was not made of this report
     */
    public function to(NewContent $content, array $speeches): self
    {
        $this->content = $content;
        $this->speeches = $speeches;
        $this->update();

        return $this;
    }

    /** @return list<UpdateEntry> what is done, what has to be looked at first */
    public function entries(): array
    {
        return $this->run->entries();
    }

    /** The deck as it is now. */
    public function bytes(): string
    {
        return $this->package->bytes();
    }

    /** @throws DeckRefused */
    private function update(): void
    {
        $shapes = 0;
        $pages = [];
        foreach ($this->deck->slides as $number => $part) {
            $slide = OldSlide::read($this->package->xml($part), $part, self::MOST_SHAPES - $shapes);
            $shapes += $slide->count();
            $pages[$number] = $this->maybePageOf($slide);
            $page = $pages[$number];
            if (null === $page) {
                continue;
            }
            $update = new SlideUpdate(
                slide: $slide,
                page: $page,
                number: $number + 1,
                content: $this->content,
                memory: $this->memory,
                run: $this->run,
            );
            $xml = $update->xml();
            $this->package->put($part, $xml);
            if (isset($this->content->slides[$page])) {
                $this->slideOf[$page] ??= $part;
                $this->updateNotes($part, $page, $number + 1);
            } elseif ([] === OldSlide::read($xml, $part, self::MOST_SHAPES)->shapes) {
                $this->run->tell(UpdateKind::Gone, $number + 1, 'Slide', 'its page is not in the report any more');
                $this->deck->remove($part);
            }
        }
        $this->insistOnOurs($pages);
        $this->addPages();
        $this->tellDeletedPages();
        $this->remember();
    }

    /**
     * Which page of the report a slide shows: what most of its shapes belong to, as it was when they were written.
     *
     * @return ?string null: nothing on it came from here
     */
    private function maybePageOf(OldSlide $slide): ?string
    {
        $counts = [];
        foreach ($slide->all() as $shape) {
            $block = $shape->tag?->block;
            $page = null === $block ? null : $this->run->maybePageOf($block) ?? $this->content->maybePageOf($block);
            if (null !== $page) {
                $counts[$page] = ($counts[$page] ?? 0) + 1;
            }
        }
        arsort($counts);
        $page = array_key_first($counts);

        return null === $page ? null : (string) $page;
    }

    /**
     * @param array<int, ?string> $pages
     *
     * @throws DeckRefused
     */
    private function insistOnOurs(array $pages): void
    {
        $found = array_filter($pages, static fn (?string $page): bool => null !== $page);
        if ([] === $found) {
            throw DeckRefused::hasNothingOfOurs();
        }
        if ([] === array_filter($found, fn (string $page): bool => isset($this->content->slides[$page]))) {
            throw DeckRefused::isOfAnotherReport();
        }
    }

    private function updateNotes(string $slide, string $page, int $number): void
    {
        $part = $this->deck->maybeRelated($slide, 'notesSlide');
        if (null === $part || !isset($this->content->slides[$page])) {
            return;
        }
        $xml = $this->package->xml($part);
        foreach (OldSlide::read($xml, $part, self::MOST_SHAPES)->all() as $shape) {
            if ('body' !== $shape->maybePlaceholder() || '' === $shape->body()) {
                continue;
            }
            $tag = $shape->tag ?? Tag::maybeIn($this->memory->maybeBlock($page, $page)->tags[SpeakerNotes::KEY] ?? '');
            if (null === $tag || SpeakerNotes::KEY !== $tag->shape) {
                continue;
            }
            if ($tag->text !== Tag::ofText($shape->text())) {
                $this->run->tell(UpdateKind::Kept, $number, 'Speaker notes', 'reworded');

                return;
            }
            $link = fn (string $address): string => $this->package->relate(
                $part, new Relation('hyperlink', $address, true),
            );
            $lines = SpeakerNotes::lines($this->speeches[$page] ?? [], $link);
            $new = str_replace($shape->body(), SpeakerNotes::body($lines), $shape->whole());
            $old = null === $shape->tag ? '' : $shape->tag->written();
            $tag = SpeakerNotes::tag($page, $lines);
            $new = '' === $old ? $new : str_replace(Xml::text($old), Xml::text($tag), $new);
            $this->package->put($part, substr_replace($xml, $new, $shape->start, $shape->end - $shape->start));

            return;
        }
    }

    /** Pages that the report has and had not: each behind the slide of the page before. */
    private function addPages(): void
    {
        $before = null;
        foreach ($this->content->slides as $page => $slide) {
            $page = (string) $page;
            if (!isset($this->slideOf[$page]) && null === $this->memory->maybeBlock($page, $page)) {
                $shapes = $this->run->writer(1)->all($slide->nodes);
                $part = $this->deck->add(Slide::xml($slide->name, $shapes), $before);
                $this->deck->addNotes($part, $page, $this->speeches[$page] ?? []);
                $this->slideOf[$page] = $part;
                $this->run->tell(UpdateKind::New, 0, $slide->name, 'is a new slide');
            }
            $before = $this->slideOf[$page] ?? $before;
        }
    }

    private function tellDeletedPages(): void
    {
        foreach ($this->memory->pages() as $page) {
            $slide = $this->content->slides[$page] ?? null;
            $wasThere = isset($this->memory->maybeBlock($page, $page)->tags[PageSlide::MESSAGE]);
            if (null !== $slide && $wasThere && !isset($this->slideOf[$page])) {
                $this->run->tell(UpdateKind::Kept, 0, $slide->name, 'is a slide that was deleted, and stays away');
            }
        }
    }

    /** What is written now, and what was written before and deleted by hand. */
    private function remember(): void
    {
        $memory = new DeckMemory();
        $memory->look = $this->memory->look;
        foreach ($this->content->slides as $page => $slide) {
            if (!isset($this->slideOf[$page])) {
                $memory->block((string) $page, (string) $page);
                continue;
            }
            SlideMemory::take($slide, $memory);
            $lines = SpeakerNotes::lines($this->speeches[$page] ?? [], static fn (string $address): string => $address);
            $tag = SpeakerNotes::tag((string) $page, $lines);
            $memory->block((string) $page, (string) $page)->tags[SpeakerNotes::KEY] = $tag;
        }
        $this->deck->remember($memory);
    }
}

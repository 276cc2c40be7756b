<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Given;

use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Export\Slides\Package\OpenedPackage;
use KeenMargin\App\Export\Slides\Package\Relation;
use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Part\DeckMemory;
use KeenMargin\App\Export\Slides\Part\Presentation;
use KeenMargin\App\Export\Slides\Part\Slide;
use KeenMargin\App\Export\Slides\Part\SpeakerNotes;
use KeenMargin\App\Export\Slides\Part\Speech;
use KeenMargin\App\Export\Slides\Part\Theme;

/** The slides of a deck that somebody gave, in order, and what they refer to. */
final class OldDeck
{
    private const MACROS = 'macroEnabled';
    private const NOTES_MASTER = 'ppt/notesMasters/keenNotesMaster.xml';
    private const NOTES_THEME = 'ppt/theme/keenNotesTheme.xml';
    /** A presentation that is meant as a template (.potx). */
    private const TEMPLATE = 'application/vnd.openxmlformats-officedocument.presentationml.template.main+xml';
    private const LIST = '~<(?:\w+:)?sldId\b[^>]*>~';

    /** @var list<string> parts of the slides */
    public readonly array $slides;
    private readonly string $presentation;

    /** @throws DeckRefused */
    private function __construct(private readonly OpenedPackage $package)
    {
        $types = $package->types();
        if ([] !== preg_grep('/'.self::MACROS.'|vbaProject/i', $types)) {
            throw DeckRefused::hasMacros();
        }
        $kinds = [Presentation::TYPE, self::TEMPLATE];
        $this->presentation = (string) array_key_first(array_intersect($types, $kinds));
        if ('' === $this->presentation) {
            throw DeckRefused::isNone();
        }
        $relations = $package->relations($this->presentation);
        preg_match_all(self::LIST, $package->xml($this->presentation), $found);
        $slides = [];
        foreach ($found[0] as $one) {
            // Without a prefix it is the number of the slide itself.
            $id = 1 === preg_match('~\s\w+:id="([^"]*)"~', $one, $told) ? $told[1] : '';
            $slides[] = ($relations[$id] ?? throw DeckRefused::isBroken($this->presentation))->target;
        }
        $this->slides = $slides;
        $this->insistOnInside();
    }

    /** @throws DeckRefused where it is no deck, bears macros, or shows what lies outside */
    public static function of(OpenedPackage $package): self
    {
        return new self($package);
    }

    /** The part that another refers to; null: none of that kind. */
    public function maybeRelated(string $part, string $kind): ?string
    {
        return $this->allRelated($part, $kind)[0] ?? null;
    }

    /** @return list<string> parts of a kind that another refers to */
    public function allRelated(string $part, string $kind): array
    {
        $parts = [];
        foreach ($this->package->relations($part) as $relation) {
            if ($relation->kind === $kind && !$relation->isOutside && $this->package->has($relation->target)) {
                $parts[] = $relation->target;
            }
        }

        return $parts;
    }

    /** @return list<string> parts of the masters of slides */
    public function masters(): array
    {
        return $this->allRelated($this->presentation, 'slideMaster');
    }

    /** @return array{float, float} width and height of its slides in points */
    public function size(): array
    {
        $isTold = 1 === preg_match('~<(?:\w+:)?sldSz\b[^>]*>~', $this->package->xml($this->presentation), $found);
        $length = static fn (string $name): float => $isTold ? Xml::points(
            (int) Xml::attribute($found[0], $name),
        ) : 0.0;

        return [$length('cx') ?: 960.0, $length('cy') ?: 540.0];
    }

    /** A template becomes a presentation; another presentation stays one. */
    public function asPresentation(): void
    {
        $this->package->retype(self::TEMPLATE, Presentation::TYPE);
    }

    /**
     * Puts what is said under a slide.
     *
     * @param list<Speech> $speeches
     *
     * @return string tag of the text
     */
    public function addNotes(string $slide, string $page, array $speeches): string
    {
        $part = str_replace('/slides/slide', '/notesSlides/notesSlide', $slide);
        $this->package->relate($part, new Relation('notesMaster', $this->notesMaster()));
        $this->package->relate($part, new Relation('slide', $slide));
        $link = fn (string $address): string => $this->package->relate(
            $part, new Relation('hyperlink', $address, true),
        );
        $lines = SpeakerNotes::lines($speeches, $link);
        $tag = SpeakerNotes::tag($page, $lines);
        $this->package->put($part, SpeakerNotes::xml($lines, $tag));
        $this->package->setType($part, SpeakerNotes::TYPE);
        $this->package->relate($slide, new Relation('notesSlide', $part));

        return $tag;
    }

    /** Its part: that of the deck, or one of ours. */
    private function notesMaster(): string
    {
        $known = $this->maybeRelated($this->presentation, 'notesMaster');
        if (null !== $known) {
            return $known;
        }
        $this->package->put(self::NOTES_MASTER, SpeakerNotes::master());
        $this->package->setType(self::NOTES_MASTER, SpeakerNotes::MASTER);
        $this->package->put(self::NOTES_THEME, Theme::xml());
        $this->package->setType(self::NOTES_THEME, Theme::TYPE);
        $this->package->relate(self::NOTES_MASTER, new Relation('theme', self::NOTES_THEME));
        $id = $this->package->relate($this->presentation, new Relation('notesMaster', self::NOTES_MASTER));
        $list = '<p:notesMasterIdLst xmlns:p="'.Xml::PRESENTATION.'" xmlns:r="'.Xml::RELATIONS.
            "\"><p:notesMasterId r:id=\"$id\"/></p:notesMasterIdLst>";
        $this->package->put($this->presentation, (string) preg_replace(
            '~</(?:\w+:)?sldMasterIdLst>~', '$0'.$list, $this->package->xml($this->presentation), 1,
        ));

        return self::NOTES_MASTER;
    }

    /** XML of what is remembered of it; blank where nothing is. */
    public function memory(): string
    {
        return $this->package->has(DeckMemory::PART) ? $this->package->xml(DeckMemory::PART) : '';
    }

    public function remember(DeckMemory $memory): void
    {
        $others = DeckMemory::others($this->memory());
        $this->package->put(DeckMemory::PART, $memory->xml($others));
        $this->package->setType(DeckMemory::PART, DeckMemory::TYPE);
        $this->package->relate('', new Relation(DeckMemory::RELATION, DeckMemory::PART));
    }

    /**
     * Adds a slide.
     *
     * @param ?string $before part of the slide that it stands behind; null: it is the first
     * @param ?string $layout part of its layout; null: that of the slide before
     *
     * @return string its part
     */
    public function add(string $xml, ?string $before, ?string $layout = null): string
    {
        $number = 1;
        while ($this->package->has("ppt/slides/slide$number.xml")) {
            ++$number;
        }
        $part = "ppt/slides/slide$number.xml";
        $like = $before ?? $this->slides[0] ?? '';
        $this->package->put($part, $xml);
        $this->package->setType($part, Slide::TYPE);
        $layout ??= $this->maybeRelated($like, 'slideLayout') ?? throw DeckRefused::isBroken($like);
        $this->package->relate($part, new Relation('slideLayout', $layout));
        $this->list($this->package->relate($this->presentation, new Relation('slide', $part)), $before);

        return $part;
    }

    /** Takes a slide out, with what is said under it. */
    public function remove(string $slide): void
    {
        $notes = $this->maybeRelated($slide, 'notesSlide');
        null === $notes || $this->package->drop($notes);
        $id = $this->relationTo($slide);
        $xml = $this->package->xml($this->presentation);
        $this->package->put($this->presentation, (string) preg_replace(self::listed($id), '', $xml, 1));
        $this->package->unrelate($this->presentation, $id);
        $this->package->drop($slide);
    }

    /** How the list of slides names one. */
    private static function listed(string $relation): string
    {
        return '~<(?:\w+:)?sldId\b[^>]*="'.preg_quote($relation, '~').'"[^>]*>~';
    }

    /** Id of the presentation's relation to a slide. */
    private function relationTo(string $slide): string
    {
        foreach ($this->package->relations($this->presentation) as $id => $relation) {
            if ($relation->target === $slide) {
                return (string) $id;
            }
        }

        throw DeckRefused::isBroken($this->presentation);
    }

    /** With an empty list of slides, where the schema has it. */
    private static function withList(string $xml): string
    {
        $list = '<p:sldIdLst xmlns:p="'.Xml::PRESENTATION.'"></p:sldIdLst>';

        return (string) preg_replace('~<(?:\w+:)?sldSz\b~', $list.'$0', $xml, 1);
    }

    /** @param string $relation id of the relation to the slide */
    private function list(string $relation, ?string $before): void
    {
        $xml = $this->package->xml($this->presentation);
        preg_match_all('~<(?:\w+:)?sldId\b[^>]*?\sid="(\d+)"~', $xml, $ids);
        $id = max([255, ...array_map(intval(...), $ids[1])]) + 1;
        $new = '<p:sldId xmlns:p="'.Xml::PRESENTATION.'" xmlns:r="'.Xml::RELATIONS."\" id=\"$id\" r:id=\"$relation\"/>";
        if (1 !== preg_match('~<(?:\w+:)?sldIdLst\b~', $xml)) {
            $xml = self::withList($xml);
        }
        // A list without slides may be written in one tag.
        $xml = (string) preg_replace('~<((?:\w+:)?sldIdLst)\b([^>]*)/>~', '<$1$2></$1>', $xml);
        $this->package->put($this->presentation, (string) preg_replace_callback(
            null === $before ? '~<(?:\w+:)?sldIdLst\b[^>]*>~' : self::listed($this->relationTo($before)),
            static fn (array $found): string => $found[0].$new,
            $xml,
            1,
        ));
    }

    /** @throws DeckRefused where a part shows what lies outside of the file; links that are followed are none */
    private function insistOnInside(): void
    {
        foreach (preg_grep('~\.rels$~', $this->package->names()) ?: [] as $name) {
            foreach (Relation::read($this->package->xml($name), '') as $relation) {
                if ($relation->isOutside && 'hyperlink' !== $relation->kind) {
                    throw DeckRefused::refersOutside($name);
                }
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides;

use KeenMargin\App\Export\Slides\Package\DeckPackage;
use KeenMargin\App\Export\Slides\Paint\Palette;
use KeenMargin\App\Export\Slides\Part\DeckMemory;
use KeenMargin\App\Export\Slides\Part\Presentation;
use KeenMargin\App\Export\Slides\Part\Properties;
use KeenMargin\App\Export\Slides\Part\Slide;
use KeenMargin\App\Export\Slides\Part\SlideLayout;
use KeenMargin\App\Export\Slides\Part\SpeakerNotes;
use KeenMargin\App\Export\Slides\Part\Speech;
use KeenMargin\App\Export\Slides\Part\Theme;
use KeenMargin\App\Export\Slides\Shape\ShapeWriter;
use KeenMargin\Core\Report\Report;

/** A deck of slides (PresentationML, ECMA-376) that has no template: pages of a report, one after the other. */
final class Deck implements SlideWriter
{
    private const PRESENTATION = 'ppt/presentation.xml';
    private const MASTER = 'ppt/slideMasters/slideMaster1.xml';
    private const LAYOUT = 'ppt/slideLayouts/slideLayout1.xml';
    private const THEME = 'ppt/theme/theme1.xml';
    private const NOTES_MASTER = 'ppt/notesMasters/notesMaster1.xml';
    private const NOTES_THEME = 'ppt/theme/theme2.xml';

    private readonly DeckPackage $package;
    private readonly Palette $palette;
    private readonly DeckMemory $memory;
    /** @var list<string> ids of the relations to slides */
    private array $slides = [];

    public function __construct(private readonly Report $report, private readonly \DateTimeImmutable $made)
    {
        $this->package = new DeckPackage();
        $this->palette = new Palette();
        $this->memory = new DeckMemory();
        $layout = new SlideLayout($report->sheet);
        $this->package->relations()->to('officeDocument', self::PRESENTATION);
        $this->package->relations(self::MASTER)->to('theme', self::THEME);
        $this->package->relations(self::LAYOUT)->to('slideMaster', self::MASTER);
        $this->package->relations(self::NOTES_MASTER)->to('theme', self::NOTES_THEME);
        $this->package->add(
            self::MASTER,
            SlideLayout::MASTER,
            $layout->master($this->package->relations(self::MASTER)->to('slideLayout', self::LAYOUT)),
        );
        $this->package->add(self::LAYOUT, SlideLayout::LAYOUT, $layout->layout());
        $this->package->add(self::THEME, Theme::TYPE, Theme::xml());
        $this->package->add(self::NOTES_MASTER, SpeakerNotes::MASTER, SpeakerNotes::master());
        $this->package->add(self::NOTES_THEME, Theme::TYPE, Theme::xml());
    }

    public function add(SlideContent $page, array $speeches): void
    {
        $number = \count($this->slides) + 1;
        $name = "ppt/slides/slide$number.xml";
        $writer = new ShapeWriter($this->palette);
        SlideMemory::take($page, $this->memory);
        $this->package->add($name, Slide::TYPE, Slide::xml($page->name, $writer->all($page->nodes)));
        $this->package->relations($name)->to('slideLayout', self::LAYOUT);
        $this->slides[] = $this->package->relations(self::PRESENTATION)->to('slide', $name);
        $this->addNotes($number, $name, $page->id, $speeches);
    }

    public function leaveOut(string $page): void
    {
        $this->memory->block($page, $page);
    }

    public function bytes(): string
    {
        $relations = $this->package->relations(self::PRESENTATION);
        $sheet = $this->report->sheet;
        $this->package->add(self::PRESENTATION, Presentation::TYPE, Presentation::xml(
            master: $relations->to('slideMaster', self::MASTER),
            notesMaster: $relations->to('notesMaster', self::NOTES_MASTER),
            slides: $this->slides,
            width: $sheet->printed() * $sheet->width(),
            height: $sheet->printed() * $sheet->height(),
        ));
        $relations->to('theme', self::THEME);
        $core = Properties::core($this->report->title, $this->report->organisation, $this->made);
        $this->package->add('docProps/core.xml', Properties::CORE, $core);
        $this->package->add('docProps/app.xml', Properties::APP, Properties::app(\count($this->slides)));
        $this->package->add(DeckMemory::PART, DeckMemory::TYPE, $this->memory->xml());
        $this->package->relations()->to(DeckMemory::RELATION, DeckMemory::PART);
        $this->package->relations()->to(Properties::CORE_RELATION, 'docProps/core.xml');
        $this->package->relations()->to('extended-properties', 'docProps/app.xml');

        return $this->package->bytes($this->made);
    }

    /** @param list<Speech> $speeches */
    private function addNotes(int $number, string $slide, string $page, array $speeches): void
    {
        $name = "ppt/notesSlides/notesSlide$number.xml";
        $relations = $this->package->relations($name);
        $relations->to('notesMaster', self::NOTES_MASTER);
        $relations->to('slide', $slide);
        $lines = SpeakerNotes::lines($speeches, $relations->toAddress(...));
        $tag = SpeakerNotes::tag($page, $lines);
        $this->memory->block($page, $page)->tags[SpeakerNotes::KEY] = $tag;
        $this->package->add($name, SpeakerNotes::TYPE, SpeakerNotes::xml($lines, $tag));
        $this->package->relations($slide)->to('notesSlide', $name);
    }
}

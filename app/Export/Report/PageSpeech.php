<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Report;

use KeenMargin\App\Export\Slides\Part\Speech;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Time\PeriodNames;

/** What is said under a slide: of each chart what its workings say, where it is kept, what its figures came with. */
final readonly class PageSpeech
{
    private const MOST_SOURCES = 5;

    public function __construct(private ReportDrawing $drawing, private Origin $origin) {}

    /** @return list<Speech> of each chart that is drawn */
    public function of(DrawnPage $page): array
    {
        $speeches = [];
        foreach ($page->blocks as $block) {
            if (null !== $block->drawing && $block->block instanceof ChartBlock) {
                $speeches[] = $this->ofChart($page->page->id, $block->block);
            }
        }

        return $speeches;
    }

    private function ofChart(string $page, ChartBlock $block): Speech
    {
        $workings = $this->drawing->workings($block->id);
        $asked = $this->drawing->asked($block->id);
        $context = $workings->context;
        $sources = $this->origin->sources($asked->dataset);
        $more = \count($sources) - self::MOST_SOURCES;
        $said = [
            ...$workings->summary->texts(),
            ...null === $context->from ? [] : ['Closed through '.PeriodNames::full($context->closing).'.'],
            ...[] === $sources ? [] : [
                'Figures came with '.implode('; ', \array_slice($sources, -self::MOST_SOURCES)).
                    ($more > 0 ? "; and $more earlier." : '.'),
            ],
        ];

        return new Speech($context->subject, $said, $this->origin->maybeAddress($page, $block->named));
    }
}

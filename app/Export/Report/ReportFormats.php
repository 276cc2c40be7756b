<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Report;

use KeenMargin\App\Export\Slides\Template\TemplateSource;

/** What a report can be written as. */
final readonly class ReportFormats
{
    /** Endings of files, for routes. */
    public const ENDINGS = 'pdf|pptx';
    public const MEDIA_TYPES = [ReportPdf::MEDIA_TYPE, ReportSlides::MEDIA_TYPE];

    /**
     * @param string $fonts folder of the shipped fonts
     * @param ?TemplateSource $templates that slides are made in; null: none
     */
    public function __construct(private string $fonts, private ?TemplateSource $templates = null) {}

    /** @return non-empty-list<ReportRenderer> */
    public function all(): array
    {
        return [new ReportPdf($this->fonts), new ReportSlides($this->templates)];
    }

    /** @param string $format ending of a file; null where nothing is written as that */
    public function maybe(string $format): ?ReportRenderer
    {
        foreach ($this->all() as $renderer) {
            if ($renderer->format() === $format) {
                return $renderer;
            }
        }

        return null;
    }

    /** @throws \InvalidArgumentException where nothing is written as that */
    public function of(string $format): ReportRenderer
    {
        return $this->maybe($format) ?? throw new \InvalidArgumentException("Nothing is written as .$format.");
    }

    /** `.pdf and .pptx` */
    public function named(): string
    {
        return implode(' and ', array_map(static fn (ReportRenderer $one): string => '.'.$one->format(), $this->all()));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\App\Export\Report\ReportFormats;
use KeenMargin\App\Export\Report\ReportSlides;
use KeenMargin\App\Export\Slides\Update\UpdateEntry;
use KeenMargin\App\Import\YearHint;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Report\Acceptance;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Settling\ReportFindings;

/** `report`: a report and files of figures in, its pages out. */
final readonly class ReportCommand
{
    /** What the document may have besides what a report is. */
    private const BESIDES = ['charts', 'figures', 'notes'];

    public function __construct(private string $fonts) {}

    /**
     * @param list<string> $arguments after the command
     *
     * @return CommandOutput what is to be written, and where
     *
     * @throws UsageError|NotAccepted|RefusedFigures
     */
    public function run(array $arguments): CommandOutput
    {
        $told = ReportArguments::of($arguments, new ReportFormats($this->fonts));
        $given = Given::json((string) file_get_contents(InputFile::path($told->report, 'a report')));
        $report = ReportReader::incoming($given, self::BESIDES);
        $drawing = ReportDrawing::of($report, self::library($given, $told, $report), ChartKinds::all());
        self::insist($drawing, $report);
        $made = new \DateTimeImmutable();
        $pages = new ReportPages($drawing, $made);

        $origin = new FileOrigin($told->figures);
        $notices = self::toSettle($drawing);
        if (null !== $told->update) {
            return self::updated($told->update, $told->output, $pages, $origin, $notices);
        }

        $renderer = null === $told->template
            ? $told->renderer
            : new ReportSlides(
                new TemplateFile(InputFile::path($told->template, 'a template'), $told->layout, $told->roles),
            );
        $bytes = $renderer->render($pages, $made, $origin);

        return new CommandOutput($bytes, $told->output, $notices);
    }

    /**
     * What is done to the deck is told; the deck is written where a file is given.
     *
     * @param list<string> $notices
     */
    private static function updated(
        string $deck,
        ?string $output,
        ReportPages $pages,
        FileOrigin $origin,
        array $notices,
    ): CommandOutput {
        $update = (new ReportSlides())->update(InputFile::path($deck, 'a deck'), $pages, $origin);
        $lines = array_map(
            static fn (UpdateEntry $entry): string => ucfirst($entry->kind->value).": {$entry->line()}",
            $update->entries(),
        );

        return null === $output
            ? new CommandOutput(implode("\n", [...$lines, '']), null, $notices)
            : new CommandOutput($update->bytes(), $output, [...$notices, ...$lines]);
    }

    /** @return list<string> what has to be settled and is not accepted, as the application's list would say */
    private static function toSettle(ReportDrawing $drawing): array
    {
        $report = $drawing->report;
        $accepted = array_map(static fn (Acceptance $one): string => $one->finding, $report->accepted);
        $pages = array_map(static fn (Page $page): string => $page->id, $report->pages);
        $notices = [];
        foreach (ReportFindings::of($drawing, static fn (): null => null)->findings as $finding) {
            if (!\in_array($finding->key(), $accepted, true)) {
                $page = array_search($finding->page, $pages, true);
                $where = false === $page ? 'The report' : 'Page '.($page + 1);
                $notices[] = "To settle: $where: $finding->says";
            }
        }

        return array_values(array_unique($notices));
    }

    /** @throws NotAccepted where a block cannot be drawn: nobody would see it in a file */
    private static function insist(ReportDrawing $drawing, Report $report): void
    {
        foreach ($drawing->ids() as $id) {
            try {
                $drawing->workings($id);
            } catch (NotAccepted $e) {
                throw $e->within($report->pathOf($id));
            }
        }
    }

    /** @throws UsageError|NotAccepted|RefusedFigures */
    private static function library(Given $given, ReportArguments $told, Report $report): FileLibrary
    {
        $mappings = $given->maybe('figures')?->entries() ?? [];
        $figures = [];
        foreach ($told->figures as $name => $file) {
            $figures[(string) $name] = self::figures((string) $name, $file, $mappings[$name] ?? null, $report);
        }

        return new FileLibrary(
            [] === $figures ? throw new UsageError('Give figures: --figures NAME=FILE.') : $figures,
            $given->maybe('charts')?->entries() ?? [],
            $given->maybe('notes')?->list() ?? [],
        );
    }

    /** @throws UsageError|NotAccepted|RefusedFigures */
    private static function figures(string $name, string $file, ?Given $mapping, Report $report): Figures
    {
        $year = $report->closedThrough?->yearNumber() ?? YearHint::ofName(InputFile::name($file));
        $table = FigureInput::read(
            file: $file,
            told: $mapping?->object(MappingReader::KEYS),
            measure: null,
            year: $year,
            where: "under \"figures\", \"$name\" in the report",
            name: $name,
        );

        return '' === $report->organisation ? $table : $table->named($name, $report->organisation);
    }
}

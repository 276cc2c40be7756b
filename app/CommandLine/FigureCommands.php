<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\App\Export\Picture\PdfRenderer;
use KeenMargin\App\Export\Picture\PictureFonts;
use KeenMargin\App\Export\Picture\PictureNotDrawn;
use KeenMargin\App\Export\Picture\PngRenderer;
use KeenMargin\App\Export\Report\ReportSlides;
use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Import\YearHint;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Render\Renderer;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\ChartPage;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\ReportPages;

/**
 * `workings` and `draw`: a recipe and a file of figures in, numbers or a picture out; `report`: a report and its files
 * in, pages out. Runs without a framework.
 */
final readonly class FigureCommands
{
    private const DONE = 0;
    private const FAULT = 1;
    private const REFUSED = 2;

    public function __construct(private string $fonts) {}

    /** @param list<string> $arguments the command first */
    public function run(array $arguments): int
    {
        try {
            $made =
                'report' === $arguments[0]
                    ? (new ReportCommand($this->fonts))->run(\array_slice($arguments, 1))
                    : $this->chart($arguments);
            $this->write($made->bytes, $made->file);
            foreach ($made->notices as $notice) {
                fwrite(\STDERR, self::oneLine($notice)."\n");
            }

            return self::DONE;
        } catch (UsageError|NotAccepted|RefusedFigures|PictureNotDrawn|DeckRefused $e) {
            fwrite(\STDERR, self::oneLine($e->getMessage())."\n");

            return self::REFUSED;
        } catch (\Throwable $e) {
            fwrite(
                \STDERR,
                self::oneLine(
                    'A fault of ours: '.$e->getMessage().' ('.basename($e->getFile()).':'.$e->getLine().')',
                )."\n",
            );

            return self::FAULT;
        }
    }

    /** @param list<string> $arguments the command first */
    private function chart(array $arguments): CommandOutput
    {
        [$recipeFile, $figuresFile, $output] = $this->read($arguments);
        $recipe = RecipeReader::json($this->contents($recipeFile), ChartKinds::all());
        $figures = $this->figures($recipe, $figuresFile);
        $drawing = Drawing::of($recipe, $figures, ChartKinds::all());

        $bytes = match (true) {
            'draw' !== $arguments[0] => $drawing->document(),
            self::isSlide($output) => self::slide($drawing, $figures, InputFile::name($figuresFile)),
            default => $this->renderer($output ?? '.svg')->render($drawing->scene),
        };

        return new CommandOutput($bytes, $output);
    }

    private static function isSlide(?string $output): bool
    {
        return 'pptx' === strtolower(pathinfo($output ?? '', \PATHINFO_EXTENSION));
    }

    /** Laid out as a page of a report would be. */
    private static function slide(Drawing $drawing, FactTable $figures, string $name): string
    {
        $chart = new ChartBlock('chart', recipe: RecipeWriter::toArray($drawing->recipe));
        $report = ChartPage::report(
            $chart,
            $drawing->workings->context->subject,
            $drawing->recipe->finish->message,
            $figures->dataset()->organisation,
        );
        $library = new FileLibrary([$name => $figures], [], []);
        $made = new \DateTimeImmutable();
        $pages = new ReportPages(ReportDrawing::of($report, $library, ChartKinds::all()), $made);

        return (new ReportSlides())->render($pages, $made, new FileOrigin([$name => $name]));
    }

    /**
     * @param list<string> $arguments
     *
     * @return array{string, string, ?string} recipe, figures, output
     */
    private function read(array $arguments): array
    {
        $command = array_shift($arguments);
        $output = null;
        $files = [];
        while ([] !== $arguments) {
            $argument = array_shift($arguments);
            if ('draw' === $command && \in_array($argument, ['-o', '--output'], true)) {
                $output =
                    array_shift($arguments) ??
                    throw new UsageError("After $argument comes the file to write, such as chart.svg.");
            } elseif ('-' !== $argument && str_starts_with($argument, '-')) {
                throw new UsageError("The option $argument is not known; see ./keen $command --help.");
            } else {
                $files[] = $argument;
            }
        }
        if (2 !== \count($files)) {
            throw new UsageError("Give a recipe and a file of figures; see ./keen $command --help.");
        }
        null === $output || self::isSlide($output) || $this->renderer($output);

        return [$files[0], $files[1], $output];
    }

    /** The ending chooses the format; `@2x` before it, so many pixels a point. */
    private function renderer(string $output): Renderer
    {
        $ending = strtolower(pathinfo($output, \PATHINFO_EXTENSION));

        return match ($ending) {
            'svg' => new SvgRenderer(PictureFonts::folder($this->fonts)),
            'pdf' => new PdfRenderer($this->fonts),
            'png' => (new PngRenderer($this->fonts))->scaled(
                (int) (1 === preg_match('/@([1-3])x\.png$/i', $output, $scale) ? $scale[1] : 1),
            ),
            default => throw new UsageError(
                "$output: the ending chooses the format; known are .svg, .png (also @2x.png and @3x.png), .pdf and ".
                    '.pptx.',
            ),
        };
    }

    private function figures(Recipe $recipe, string $file): FactTable
    {
        $name = InputFile::name($file);

        return FigureInput::read(
            file: $file,
            told: $recipe->figures,
            measure: $recipe->question->measure,
            year: YearHint::of($recipe, $name),
            where: 'under "figures" in the recipe',
            name: $name,
        );
    }

    private function contents(string $file): string
    {
        return (string) file_get_contents(InputFile::path($file, 'a recipe'));
    }

    /** Beside its place first, so that a reader never finds half a file. */
    private function write(string $bytes, ?string $output): void
    {
        if (null === $output) {
            fwrite(\STDOUT, $bytes);

            return;
        }
        $beside = $output.'.'.getmypid().'.part';
        if (false === @file_put_contents($beside, $bytes) || !@rename($beside, $output)) {
            @unlink($beside);
            throw new UsageError("$output cannot be written. Choose another place.");
        }
    }

    private static function oneLine(string $message): string
    {
        return (string) preg_replace('/\s+/', ' ', $message);
    }
}

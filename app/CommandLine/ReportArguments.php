<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\App\Export\Report\ReportFormats;
use KeenMargin\App\Export\Report\ReportRenderer;
use KeenMargin\App\Export\Report\ReportSlides;

/** `REPORT.json --figures NAME=FILE … -o pack.pdf`, or `pack.pptx`, of `--update OLD.pptx` or in `--template T.pptx` */
final readonly class ReportArguments
{
    /** Options that a text follows: its name, and what it is. */
    private const WITH_TEXT = [
        '-o' => ['output', 'the file to write, such as pack.pdf'],
        '--output' => ['output', 'the file to write, such as pack.pdf'],
        '--update' => ['update', 'the deck to bring up to date, such as pack.pptx'],
        '--template' => ['template', 'the presentation that decks are made in'],
        '--layout' => ['layout', 'its name'],
    ];

    /**
     * @param array<string|int, string> $figures files by name
     * @param ?string $output null: nothing is written, what an update would do is only told
     * @param ?string $update deck that is brought up to date; null: none
     * @param ?string $template presentation that slides are made in; null: none
     * @param string $layout of the template, by name; blank: the most suitable
     * @param array<string, string> $roles names of its colours by role, where they are told
     */
    private function __construct(
        public string $report,
        public array $figures,
        public ?string $output,
        public ReportRenderer $renderer,
        public ?string $update,
        public ?string $template,
        public string $layout,
        public array $roles,
    ) {}

    /**
     * @param list<string> $arguments
     * @param ReportFormats $formats what a report can be written as
     *
     * @throws UsageError
     */
    public static function of(array $arguments, ReportFormats $formats): self
    {
        $texts = $figures = $roles = [];
        while ([] !== $arguments) {
            $argument = array_shift($arguments);
            if (isset(self::WITH_TEXT[$argument])) {
                [$name, $what] = self::WITH_TEXT[$argument];
                $texts[$name] = array_shift($arguments) ?? throw new UsageError("After $argument comes $what.");
            } elseif ('--role' === $argument) {
                [$role, $colour] = self::pair(
                    $arguments, 'After --role comes ROLE=COLOUR, such as favourable=accent6.',
                );
                $roles[$role] = $colour;
            } elseif ('--figures' === $argument) {
                [$name, $file] = self::pair(
                    $arguments, 'After --figures comes NAME=FILE: what the report calls them, and the file.',
                );
                if (isset($figures[$name])) {
                    throw new UsageError("The figures \"$name\" are given twice.");
                }
                $figures[$name] = $file;
            } elseif ('-' !== $argument && str_starts_with($argument, '-')) {
                throw new UsageError("The option $argument is not known; see ./keen report --help.");
            } elseif (isset($texts['report'])) {
                throw new UsageError("One report at a time; $argument is the second. See ./keen report --help.");
            } else {
                $texts['report'] = $argument;
            }
        }
        $update = $texts['update'] ?? null;
        $output = $texts['output'] ?? null;
        $file = $output ?? $update;
        if (!isset($texts['report']) || null === $file || [] === $figures) {
            throw new UsageError('Give a report, figures and the file to write; see ./keen report --help.');
        }
        if (null !== $update && null !== $output) {
            self::insistOnAnother($update, $output);
        }
        $template = $texts['template'] ?? null;

        return new self(
            report: $texts['report'],
            figures: $figures,
            output: $output,
            renderer: self::renderer($formats, $file, null !== $update, null !== $template),
            update: $update,
            template: $template,
            layout: $texts['layout'] ?? '',
            roles: $roles,
        );
    }

    /**
     * @param list<string> $arguments those that follow; the first one is taken from them
     * @param string $otherwise what is said where it is no pair
     *
     * @return array{string, string} what stands before and after the equals sign
     *
     * @throws UsageError
     */
    private static function pair(array &$arguments, string $otherwise): array
    {
        [$first, $second] = [...explode('=', array_shift($arguments) ?? '', 2), ''];

        return '' === $first || '' === $second ? throw new UsageError($otherwise) : [$first, $second];
    }

    /** @throws UsageError where the format is not known, or is none of slides that has to be */
    private static function renderer(
        ReportFormats $formats,
        string $file,
        bool $isUpdate,
        bool $hasTemplate,
    ): ReportRenderer {
        $renderer =
            $formats->maybe(strtolower(pathinfo($file, \PATHINFO_EXTENSION))) ??
            throw new UsageError("$file: the ending chooses the format; known are {$formats->named()}.");
        if ($isUpdate && !$renderer instanceof ReportSlides) {
            throw new UsageError("$file: only slides are brought up to date; give a file that ends with .pptx.");
        }
        if ($hasTemplate && (!$renderer instanceof ReportSlides || $isUpdate)) {
            throw new UsageError('--template is for new slides; give a file that ends with .pptx, and no --update.');
        }

        return $renderer;
    }

    /** @throws UsageError where the deck of before would be written over */
    private static function insistOnAnother(string $update, string $output): void
    {
        if (realpath($update) === realpath($output) && false !== realpath($update)) {
            throw new UsageError("$output is the deck that is brought up to date. Write to another file.");
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\App\Export\Report\ReportFormats;
use KeenMargin\App\Export\Report\ReportRenderer;
use KeenMargin\App\Export\Report\ReportSlides;

/** `REPORT.json --figures NAME=FILE … -o pack.pdf`, or `pack.pptx`, of `--update OLD.pptx` or in `--template T.pptx` */
final readonly class ReportArguments
{
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
        $report = $output = $update = $template = null;
        $layout = '';
        $roles = [];
        $figures = [];
        while ([] !== $arguments) {
            $argument = array_shift($arguments);
            if (\in_array($argument, ['-o', '--output'], true)) {
                $output =
                    array_shift($arguments) ??
                    throw new UsageError("After $argument comes the file to write, such as pack.pdf.");
            } elseif ('--update' === $argument) {
                $update =
                    array_shift($arguments) ??
                    throw new UsageError('After --update comes the deck to bring up to date, such as pack.pptx.');
            } elseif ('--template' === $argument) {
                $template =
                    array_shift($arguments) ??
                    throw new UsageError('After --template comes the presentation that decks are made in.');
            } elseif ('--layout' === $argument) {
                $layout = array_shift($arguments) ?? throw new UsageError('After --layout comes its name.');
            } elseif ('--role' === $argument) {
                [$role, $colour] = [...explode('=', array_shift($arguments) ?? '', 2), ''];
                if ('' === $role || '' === $colour) {
                    throw new UsageError('After --role comes ROLE=COLOUR, such as favourable=accent6.');
                }
                $roles[$role] = $colour;
            } elseif ('--figures' === $argument) {
                $pair = explode('=', array_shift($arguments) ?? '', 2);
                if ('' === $pair[0] || '' === ($pair[1] ?? '')) {
                    throw new UsageError('After --figures comes NAME=FILE: what the report calls them, and the file.');
                }
                if (isset($figures[$pair[0]])) {
                    throw new UsageError("The figures \"$pair[0]\" are given twice.");
                }
                $figures[$pair[0]] = $pair[1];
            } elseif ('-' !== $argument && str_starts_with($argument, '-')) {
                throw new UsageError("The option $argument is not known; see ./keen report --help.");
            } elseif (null === $report) {
                $report = $argument;
            } else {
                throw new UsageError("One report at a time; $argument is the second. See ./keen report --help.");
            }
        }
        if (null === $report || (null === $output && null === $update) || [] === $figures) {
            throw new UsageError('Give a report, figures and the file to write; see ./keen report --help.');
        }
        if (null !== $update && null !== $output) {
            self::insistOnAnother($update, $output);
        }
        $file = $output ?? (string) $update;
        $renderer =
            $formats->maybe(strtolower(pathinfo($file, \PATHINFO_EXTENSION))) ??
            throw new UsageError("$file: the ending chooses the format; known are {$formats->named()}.");
        if (null !== $update && !$renderer instanceof ReportSlides) {
            throw new UsageError("$file: only slides are brought up to date; give a file that ends with .pptx.");
        }

        if (null !== $template && (!$renderer instanceof ReportSlides || null !== $update)) {
            throw new UsageError('--template is for new slides; give a file that ends with .pptx, and no --update.');
        }

        return new self(
            report: $report,
            figures: $figures,
            output: $output,
            renderer: $renderer,
            update: $update,
            template: $template,
            layout: $layout,
            roles: $roles,
        );
    }

    /** @throws UsageError where the deck of before would be written over */
    private static function insistOnAnother(string $update, string $output): void
    {
        if (realpath($update) === realpath($output) && false !== realpath($update)) {
            throw new UsageError("$output is the deck that is brought up to date. Write to another file.");
        }
    }
}

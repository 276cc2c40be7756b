<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\App\Export\Report\ReportFormats;
use KeenMargin\App\Export\Report\ReportRenderer;

/** `REPORT.json --figures NAME=FILE … -o pack.pdf`, or `pack.pptx` */
final readonly class ReportArguments
{
    /** @param array<string|int, string> $figures files by name */
    private function __construct(
        public string $report,
        public array $figures,
        public string $output,
        public ReportRenderer $renderer,
    ) {
    }

    /**
     * @param list<string> $arguments
     * @param ReportFormats $formats what a report can be written as
     *
     * @throws UsageError
     */
    public static function of(array $arguments, ReportFormats $formats): self
    {
        $report = $output = null;
        $figures = [];
        while ([] !== $arguments) {
            $argument = array_shift($arguments);
            if (\in_array($argument, ['-o', '--output'], true)) {
                $output =
                    array_shift($arguments) ??
                    throw new UsageError("After $argument comes the file to write, such as pack.pdf.");
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
        if (null === $report || null === $output || [] === $figures) {
            throw new UsageError('Give a report, figures and the file to write; see ./keen report --help.');
        }
        $renderer =
            $formats->maybe(strtolower(pathinfo($output, \PATHINFO_EXTENSION))) ??
            throw new UsageError("$output: the ending chooses the format; known are {$formats->named()}.");

        return new self($report, $figures, $output, $renderer);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

/** `REPORT.json --figures NAME=FILE … -o pack.pdf` */
final readonly class ReportArguments
{
    private const FORMATS = ['pdf'];

    /** @param array<string|int, string> $figures files by name */
    private function __construct(public string $report, public array $figures, public string $output)
    {
    }

    /**
     * @param list<string> $arguments
     *
     * @throws UsageError
     */
    public static function of(array $arguments): self
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
        if (!\in_array(strtolower(pathinfo($output, \PATHINFO_EXTENSION)), self::FORMATS, true)) {
            throw new UsageError("$output: the ending chooses the format; known is .pdf.");
        }

        return new self($report, $figures, $output);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Table\HeaderPosition;
use KeenMargin\Core\Figures\Reading\Text\CellKind;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** A file of figures, whatever its format, as sheets. */
final class FigureFile
{
    private const HEAD = 4096;
    /** In the order in which they are tried; what is none of them is refused by the last. */
    private const FORMATS = [XlsxFile::class, OdsFile::class, JsonLinesFile::class, TextFile::class];
    private const SHEETS = 60;
    private const LOOKED_AT = 60;

    private function __construct(private readonly FileFormat $format) {}

    public static function open(string $path): self
    {
        $head = (string) file_get_contents($path, false, null, 0, self::HEAD);
        foreach (self::FORMATS as $class) {
            $format = $class::maybe($path, $head);
            if (null !== $format) {
                return new self($format);
            }
        }
        throw RefusedFigures::whole('This is not a text file. Save the table as CSV, or paste it.');
    }

    /** @return list<string> none where there is only one and it has no name */
    public function sheets(): array
    {
        return array_values(array_filter($this->format->sheets(), static fn (string $name): bool => '' !== $name));
    }

    /** @param ?string $named the one with the most numbers in its first rows, where none is named */
    public function sheet(?string $named = null, ?HeaderPosition $header = null): FileTable
    {
        $names = $this->format->sheets();
        if (null !== $named && !\in_array($named, $names, true)) {
            throw RefusedFigures::whole("The workbook has no sheet \"$named\". It has ".implode(', ', $names).'.');
        }

        return FileTable::of($this->format->rows($named ?? $this->best($names)), $header);
    }

    /** @return string the name of the sheet that is taken where none is told */
    public function bestSheet(): string
    {
        return $this->best($this->format->sheets());
    }

    /** @param non-empty-list<string> $names */
    private function best(array $names): string
    {
        $best = [$names[0], -1];
        foreach (1 === \count($names) ? [] : \array_slice($names, 0, self::SHEETS) as $name) {
            $numbers = 0;
            $rows = 0;
            foreach ($this->format->rows($name)->rows() as $cells) {
                $numbers += \count(
                    array_filter($cells, static fn (string $cell): bool => CellKind::Number === CellKind::of($cell)),
                );
                if (++$rows >= self::LOOKED_AT) {
                    break;
                }
            }
            if ($numbers > $best[1]) {
                $best = [$name, $numbers];
            }
        }

        return $best[0];
    }
}

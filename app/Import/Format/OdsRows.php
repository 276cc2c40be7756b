<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/**
 * The rows of one table, read as they stream by. Cells and rows may stand for many; blank ones at the end do not count.
 */
final readonly class OdsRows implements RowSource
{
    /** More equal rows than this are no figures. */
    private const REPEATED_ROWS = 10_000;

    public function __construct(private WorkbookZip $package, private int $table) {}

    /** @return \Generator<int, list<string>> */
    public function rows(int $after = -1): \Generator
    {
        $reader = $this->package->reader('content.xml');
        $table = -1;
        $number = 1;
        while (WorkbookZip::next($reader)) {
            if (
                \XMLReader::ELEMENT === $reader->nodeType && 'table:table' === $reader->name && ++$table > $this->table
            ) {
                break;
            }
            if (
                $table !== $this->table
                || \XMLReader::ELEMENT !== $reader->nodeType
                || 'table:table-row' !== $reader->name
            ) {
                continue;
            }
            $times = max(1, (int) $reader->getAttribute('table:number-rows-repeated'));
            $cells = $reader->isEmptyElement ? [] : self::cells($reader);
            if ([] !== $cells && $times > self::REPEATED_ROWS) {
                throw RefusedFigures::whole(\sprintf(
                    'Row %d of the sheet stands for %s equal rows. This is not a table of figures.',
                    $number,
                    number_format($times),
                ));
            }
            for ($i = max(0, $after + 1 - $number); $i < $times && [] !== $cells; ++$i) {
                yield $number + $i => $cells;
            }
            $number += $times;
        }
        $reader->close();
    }

    /** @return list<string> */
    private static function cells(\XMLReader $reader): array
    {
        $cells = [];
        $blank = 0;
        while (WorkbookZip::next($reader)) {
            if (\XMLReader::END_ELEMENT === $reader->nodeType && 'table:table-row' === $reader->name) {
                break;
            }
            if (
                \XMLReader::ELEMENT !== $reader->nodeType
                || !\in_array($reader->name, ['table:table-cell', 'table:covered-table-cell'], true)
            ) {
                continue;
            }
            $times = max(1, (int) $reader->getAttribute('table:number-columns-repeated'));
            $cell = self::cell($reader);
            if ('' === $cell) {
                $blank += $times;
                continue;
            }
            if (\count($cells) + $blank + $times > Limits::COLUMNS) {
                throw RefusedFigures::whole(\sprintf(
                    'The sheet has more than %s columns; up to that many can be read.', number_format(Limits::COLUMNS),
                ));
            }
            array_push($cells, ...array_fill(0, $blank, ''), ...array_fill(0, $times, $cell));
            $blank = 0;
        }

        return $cells;
    }

    private static function cell(\XMLReader $reader): string
    {
        $type = (string) ($reader->getAttribute('office:value-type') ?? $reader->getAttribute('calcext:value-type'));
        $value = (string) $reader->getAttribute('office:value');
        $stored = match ($type) {
            'float', 'currency' => PlainNumber::of($value),
            'percentage' => PlainNumber::percent($value),
            'date' => substr((string) $reader->getAttribute('office:date-value'), 0, 10),
            'boolean' => (string) $reader->getAttribute('office:boolean-value'),
            default => '',
        };
        $text = $reader->isEmptyElement ? '' : self::text($reader);

        return '' === $stored ? $text : $stored;
    }

    /** The paragraphs of a cell; notes that hang on it are passed over. */
    private static function text(\XMLReader $reader): string
    {
        $depth = $reader->depth;
        $text = '';
        $note = null;
        while (WorkbookZip::next($reader) && $reader->depth > $depth) {
            if (\XMLReader::ELEMENT === $reader->nodeType) {
                if (null === $note && 'office:annotation' === $reader->name && !$reader->isEmptyElement) {
                    $note = $reader->depth;
                } elseif ('text:p' === $reader->name && null === $note && '' !== $text) {
                    $text .= ' ';
                } elseif ('text:s' === $reader->name) {
                    $text .= ' ';
                }
            } elseif (\XMLReader::END_ELEMENT === $reader->nodeType && $reader->depth === $note) {
                $note = null;
            } elseif (
                null === $note
                && $reader->hasValue
                && \in_array(
                    $reader->nodeType, [\XMLReader::TEXT, \XMLReader::CDATA, \XMLReader::SIGNIFICANT_WHITESPACE], true,
                )
            ) {
                $text .= $reader->value;
            }
        }

        return $text;
    }
}

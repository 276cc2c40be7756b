<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** The rows of one sheet, read as they stream by. */
final readonly class XlsxRows implements RowSource
{
    /** @param list<string> $texts */
    public function __construct(
        private WorkbookZip $package,
        private string $part,
        private array $texts,
        private XlsxStyles $styles,
        private bool $from1904,
    ) {}

    /** @return \Generator<int, list<string>> */
    public function rows(int $after = -1): \Generator
    {
        $reader = $this->package->reader($this->part);
        $number = 0;
        while (WorkbookZip::next($reader)) {
            if (\XMLReader::ELEMENT !== $reader->nodeType || 'row' !== $reader->localName) {
                continue;
            }
            $told = (int) $reader->getAttribute('r');
            $number = $told > $number ? $told : $number + 1;
            $cells = $reader->isEmptyElement ? [] : $this->cells($reader);
            if ([] !== $cells && $number > $after) {
                yield $number => $cells;
            }
        }
        $reader->close();
    }

    /** @return list<string> */
    private function cells(\XMLReader $reader): array
    {
        $cells = [];
        $place = -1;
        while (WorkbookZip::next($reader)) {
            if (\XMLReader::END_ELEMENT === $reader->nodeType && 'row' === $reader->localName) {
                break;
            }
            if (\XMLReader::ELEMENT !== $reader->nodeType || 'c' !== $reader->localName) {
                continue;
            }
            $place = self::place((string) $reader->getAttribute('r')) ?? $place + 1;
            if ($place >= Limits::COLUMNS) {
                throw RefusedFigures::whole(\sprintf(
                    'The sheet has more than %s columns; up to that many can be read.', number_format(Limits::COLUMNS),
                ));
            }
            $type = $reader->getAttribute('t') ?? 'n';
            $style = (int) $reader->getAttribute('s');
            $stored = $reader->isEmptyElement ? '' : self::stored($reader);
            for ($gap = \count($cells); $gap < $place; ++$gap) {
                $cells[] = '';
            }
            $cells[$place] = match (true) {
                '' === $stored => '',
                's' === $type => $this->texts[(int) $stored] ?? '',
                'n' === $type => $this->styles->meaning($style)->text($stored, $this->from1904),
                'b' === $type => '1' === $stored ? 'true' : 'false',
                default => $stored,
            };
        }

        return array_values($cells);
    }

    /** The value of a cell, or its own text; the formula beside it is passed over. */
    private static function stored(\XMLReader $reader): string
    {
        $stored = '';
        $within = '';
        while (WorkbookZip::next($reader)) {
            if (\XMLReader::ELEMENT === $reader->nodeType) {
                $within = $reader->isEmptyElement ? '' : $reader->localName;
            } elseif (\XMLReader::END_ELEMENT === $reader->nodeType) {
                if ('c' === $reader->localName) {
                    break;
                }
                $within = '';
            } elseif ($reader->hasValue && ('v' === $within || 't' === $within)) {
                $stored .= $reader->value;
            }
        }

        return $stored;
    }

    private static function place(string $reference): ?int
    {
        $length = strspn($reference, 'ABCDEFGHIJKLMNOPQRSTUVWXYZ');
        if (0 === $length || $length > 3) {
            return null;
        }
        $place = 0;
        for ($i = 0; $i < $length; ++$i) {
            $place = $place * 26 + \ord($reference[$i]) - 64;
        }

        return $place - 1;
    }
}

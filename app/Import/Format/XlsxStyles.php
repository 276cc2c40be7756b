<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

/** What the number formats of a workbook's cell styles make of a stored number. */
final readonly class XlsxStyles
{
    /** Formats that are built in and not written in the file (ECMA-376, 18.8.30). */
    private const BUILT_IN = [
        9 => '0%',
        10 => '0.00%',
        14 => 'm/d/yyyy',
        15 => 'd-mmm-yy',
        16 => 'd-mmm',
        17 => 'mmm-yy',
        22 => 'm/d/yyyy h:mm',
    ];

    /** @param list<NumberMeaning> $meanings by number of the style */
    private function __construct(private array $meanings) {}

    public static function of(WorkbookZip $package): self
    {
        if (!$package->has('xl/styles.xml')) {
            return new self([]);
        }
        $reader = $package->reader('xl/styles.xml');
        $codes = self::BUILT_IN;
        $meanings = [];
        $isWithin = false;
        while (WorkbookZip::next($reader)) {
            if ('cellXfs' === $reader->localName) {
                $isWithin = \XMLReader::ELEMENT === $reader->nodeType;
            } elseif (\XMLReader::ELEMENT === $reader->nodeType && 'numFmt' === $reader->localName) {
                $codes[(int) $reader->getAttribute('numFmtId')] = (string) $reader->getAttribute('formatCode');
            } elseif ($isWithin && \XMLReader::ELEMENT === $reader->nodeType && 'xf' === $reader->localName) {
                $meanings[] = NumberMeaning::of($codes[(int) $reader->getAttribute('numFmtId')] ?? '');
            }
        }
        $reader->close();

        return new self($meanings);
    }

    public function meaning(int $style): NumberMeaning
    {
        return $this->meanings[$style] ?? NumberMeaning::Amount;
    }
}

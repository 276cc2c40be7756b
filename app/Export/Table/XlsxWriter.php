<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

use KeenMargin\App\Storage\Files\NotWritten;
use KeenMargin\Core\Document\PlainText;

/** A workbook of one sheet in Office Open XML (ECMA-376), written as it streams by. */
final class XlsxWriter implements TableWriter
{
    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
    private const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
    private const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
    private const ROWS = 1_048_576;
    private const FLUSHED_AT = 500;

    private int $rows = 0;

    private function __construct(
        private readonly string $path,
        private readonly string $sheet,
        private readonly string $part,
        private readonly \XMLWriter $xml,
    ) {}

    public static function to(string $path, string $sheet): self
    {
        $part = TextFileWriter::temporary('sheet');
        $xml = new \XMLWriter();
        $xml->openUri($part);
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement('worksheet');
        $xml->writeAttribute('xmlns', self::MAIN);
        $xml->startElement('sheetData');

        return new self($path, $sheet, $part, $xml);
    }

    /** @param list<string|ExactCell|Formula> $cells */
    public function row(array $cells, bool $isBold = false): void
    {
        if (++$this->rows > self::ROWS) {
            throw new TooLargeForWorkbook(self::ROWS);
        }
        $this->xml->startElement('row');
        $this->xml->writeAttribute('r', (string) $this->rows);
        foreach ($cells as $place => $cell) {
            $this->cell(self::reference($place, $this->rows), $cell, $isBold);
        }
        $this->xml->endElement();
        if (0 === $this->rows % self::FLUSHED_AT) {
            $this->flush();
        }
    }

    public function close(): void
    {
        $this->xml->endElement();
        $this->xml->endElement();
        $this->xml->endDocument();
        $this->flush();
        $name = htmlspecialchars(PlainText::xml(self::sheetName($this->sheet)), \ENT_XML1 | \ENT_QUOTES);
        $xml = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
        $document = 'application/vnd.openxmlformats-officedocument.spreadsheetml.';
        ZipParts::pack(
            $this->path,
            [
                '[Content_Types].xml' => $xml.
                    '<Types xmlns="'.
                    self::PACKAGE.
                    '/content-types"><Default Extension="rels" '
                        .'ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default '
                        .'Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" '
                        .'ContentType="'.
                    $document.
                    'sheet.main+xml"/><Override PartName="/xl/styles.xml" ContentType="'.
                    $document.
                    'styles+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="'.
                    $document.
                    'worksheet+xml"/></Types>',
                '_rels/.rels' => $xml.
                    '<Relationships xmlns="'.
                    self::PACKAGE.
                    '/relationships"><Relationship Id="rId1" Type="'.
                    self::RELATIONS.
                    '/officeDocument" Target="xl/workbook.xml"/></Relationships>',
                'xl/workbook.xml' => $xml.
                    '<workbook xmlns="'.
                    self::MAIN.
                    '" xmlns:r="'.
                    self::RELATIONS.
                    '"><sheets><sheet name="'.
                    $name.
                    '" sheetId="1" r:id="rId1"/></sheets></workbook>',
                'xl/_rels/workbook.xml.rels' => $xml.
                    '<Relationships xmlns="'.
                    self::PACKAGE.
                    '/relationships"><Relationship Id="rId1" Type="'.
                    self::RELATIONS.
                    '/worksheet" Target="worksheets/sheet1.xml"/><Relationship Id="rId2" Type="'.
                    self::RELATIONS.
                    '/styles" Target="styles.xml"/></Relationships>',
                'xl/styles.xml' => $xml.
                    '<styleSheet xmlns="'.
                    self::MAIN.
                    '"><fonts count="2"><font><sz val="11"/></font><font><b/><sz val="11"/></font></fonts><fills '
                        .'count="1"><fill><patternFill patternType="none"/></fill></fills><borders '
                        .'count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs '
                        .'count="2"><xf xfId="0"/><xf xfId="0" fontId="1" applyFont="1"/></cellXfs></styleSheet>',
            ],
            ['xl/worksheets/sheet1.xml' => $this->part],
        );
    }

    /** What did not reach the disk is a workbook cut short. */
    private function flush(): void
    {
        if ($this->xml->flush() < 0) {
            @unlink($this->part);
            throw NotWritten::at($this->part);
        }
    }

    private function cell(string $reference, string|ExactCell|Formula $cell, bool $isBold): void
    {
        $formula = $cell instanceof Formula ? $cell->expression : null;
        $cell = $cell instanceof Formula ? $cell->is : $cell;
        $isNumber = $cell instanceof ExactCell && $cell->fitsANumber();
        $text = $cell instanceof ExactCell ? $cell->digits : PlainText::xml(SafeText::of($cell));
        if ('' === $text) {
            return;
        }
        $this->xml->startElement('c');
        $this->xml->writeAttribute('r', $reference);
        $isBold && $this->xml->writeAttribute('s', '1');
        if ($isNumber) {
            null === $formula || $this->xml->writeElement('f', $formula);
            $this->xml->writeElement('v', $text);
        } else {
            $this->xml->writeAttribute('t', 'inlineStr');
            $this->xml->startElement('is');
            $this->xml->startElement('t');
            $this->xml->writeAttribute('xml:space', 'preserve');
            $this->xml->text($text);
            $this->xml->endElement();
            $this->xml->endElement();
        }
        $this->xml->endElement();
    }

    /** @param int $place from 0; row from 1 */
    public static function reference(int $place, int $row): string
    {
        return self::letters($place).$row;
    }

    private static function letters(int $place): string
    {
        $letters = '';
        for ($rest = $place + 1; $rest > 0; $rest = intdiv($rest - 1, 26)) {
            $letters = \chr(65 + (($rest - 1) % 26)).$letters;
        }

        return $letters;
    }

    /** Workbooks allow 31 letters and not all signs. */
    private static function sheetName(string $name): string
    {
        $name = trim(mb_substr((string) preg_replace('/[\[\]:*?\/\\\\\']/u', ' ', $name), 0, 31));

        return '' === $name ? 'Figures' : $name;
    }
}

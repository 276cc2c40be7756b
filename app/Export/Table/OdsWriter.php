<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

use KeenMargin\App\Storage\Files\NotWritten;
use KeenMargin\Core\Document\PlainText;

/** A spreadsheet of one table in OpenDocument (ISO/IEC 26300), written as it streams by. */
final class OdsWriter implements TableWriter
{
    private const TYPE = 'application/vnd.oasis.opendocument.spreadsheet';
    private const SPACES = 'urn:oasis:names:tc:opendocument:xmlns:';
    private const ROWS = 1_048_576;
    private const FLUSHED_AT = 500;

    private int $rows = 0;

    private function __construct(
        private readonly string $path,
        private readonly string $part,
        private readonly \XMLWriter $xml,
    ) {}

    public static function to(string $path, string $sheet): self
    {
        $part = TextFileWriter::temporary('sheet');
        $xml = new \XMLWriter();
        $xml->openUri($part);
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement('office:document-content');
        foreach (['office' => 'office:1.0', 'table' => 'table:1.0', 'text' => 'text:1.0'] as $prefix => $space) {
            $xml->writeAttribute("xmlns:$prefix", self::SPACES.$space);
        }
        $xml->writeAttribute('office:version', '1.2');
        $xml->startElement('office:body');
        $xml->startElement('office:spreadsheet');
        $xml->startElement('table:table');
        $xml->writeAttribute('table:name', '' === $sheet ? 'Figures' : PlainText::xml($sheet));

        return new self($path, $part, $xml);
    }

    public function row(array $cells): void
    {
        if (++$this->rows > self::ROWS) {
            throw new TooLargeForWorkbook(self::ROWS);
        }
        $this->xml->startElement('table:table-row');
        foreach ($cells as $cell) {
            $this->cell($cell);
        }
        $this->xml->endElement();
        if (0 === $this->rows % self::FLUSHED_AT) {
            $this->flush();
        }
    }

    public function close(): void
    {
        for ($open = 4; $open > 0; --$open) {
            $this->xml->endElement();
        }
        $this->xml->endDocument();
        $this->flush();
        $manifest =
            '<?xml version="1.0" encoding="UTF-8"?><manifest:manifest xmlns:manifest="'.
            self::SPACES.
            'manifest:1.0" manifest:version="1.2"><manifest:file-entry manifest:full-path="/" manifest:version="1.2" '
                .'manifest:media-type="'.
            self::TYPE.
            '"/><manifest:file-entry manifest:full-path="content.xml" '
                .'manifest:media-type="text/xml"/></manifest:manifest>';
        ZipParts::pack(
            $this->path,
            ['mimetype' => self::TYPE, 'META-INF/manifest.xml' => $manifest],
            ['content.xml' => $this->part],
            'mimetype',
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

    private function cell(string|ExactCell $cell): void
    {
        $isNumber = $cell instanceof ExactCell && $cell->fitsANumber();
        $text = $cell instanceof ExactCell ? $cell->digits : PlainText::xml(SafeText::of($cell));
        $this->xml->startElement('table:table-cell');
        if ('' !== $text) {
            $this->xml->writeAttribute('office:value-type', $isNumber ? 'float' : 'string');
            if ($isNumber) {
                $this->xml->writeAttribute('office:value', $text);
            }
            $this->xml->startElement('text:p');
            $this->xml->text($text);
            $this->xml->endElement();
        }
        $this->xml->endElement();
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** A workbook in Office Open XML (ECMA-376). Formulas count by the values stored with them. */
final class XlsxFile implements FileFormat
{
    private const OLD_FORMAT = "\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1";
    private const SHARED_BYTES = 120_000_000;

    private ?XlsxStyles $styles = null;
    /** @var ?list<string> */
    private ?array $texts = null;

    /** @param non-empty-array<string, string> $parts by name of the sheet */
    private function __construct(
        private readonly WorkbookZip $package,
        private readonly array $parts,
        private readonly bool $from1904,
    ) {}

    public static function maybe(string $path, string $head): ?self
    {
        if (str_starts_with($head, self::OLD_FORMAT)) {
            throw RefusedFigures::whole(
                str_contains((string) file_get_contents($path, false, null, 0, 4_000_000), "E\0n\0c\0r\0y\0p\0t")
                    ? 'The workbook is protected by a password. Save it without one, then bring it in.'
                    : 'This is a workbook of an old format (.xls). Save it as XLSX or CSV, then bring it in.',
            );
        }
        if (!str_starts_with($head, "PK\x03\x04")) {
            return null;
        }
        $package = WorkbookZip::open($path);
        if (!$package->has('xl/workbook.xml')) {
            return null;
        }
        $targets = self::attributes($package, 'xl/_rels/workbook.xml.rels', 'Relationship', ['Id', 'Target']);
        $targets = array_column($targets, 'Target', 'Id');
        $parts = [];
        foreach (self::attributes($package, 'xl/workbook.xml', 'sheet', ['name', 'r:id']) as $sheet) {
            $target = $targets[$sheet['r:id']] ?? '';
            $part = str_starts_with($target, '/') ? ltrim($target, '/') : 'xl/'.$target;
            if ($package->has($part) && '' !== $sheet['name']) {
                $parts[$sheet['name']] = $part;
            }
        }
        if ([] === $parts) {
            throw RefusedFigures::whole('The workbook has no sheet. Open it where it was made and look.');
        }
        $settings = self::attributes($package, 'xl/workbook.xml', 'workbookPr', ['date1904']);

        return new self($package, $parts, \in_array($settings[0]['date1904'] ?? '', ['1', 'true'], true));
    }

    public function sheets(): array
    {
        return array_map(strval(...), array_keys($this->parts));
    }

    public function rows(string $sheet): RowSource
    {
        $this->styles ??= XlsxStyles::of($this->package);

        return new XlsxRows(
            $this->package, $this->parts[$sheet], $this->texts ??= $this->texts(), $this->styles, $this->from1904,
        );
    }

    /** @return list<string> the texts that cells refer to by number */
    private function texts(): array
    {
        $part = 'xl/sharedStrings.xml';
        if (!$this->package->has($part)) {
            return [];
        }
        $reader = $this->package->reader($part);
        $texts = [];
        $bytes = 0;
        $current = null;
        $isPhonetic = false;
        while (WorkbookZip::next($reader)) {
            $name = $reader->localName;
            if (\XMLReader::ELEMENT === $reader->nodeType) {
                if ('si' === $name) {
                    $current = '';
                    if ($reader->isEmptyElement) {
                        $texts[] = '';
                        $current = null;
                    }
                } elseif ('rPh' === $name) {
                    $isPhonetic = true;
                }
            } elseif (\XMLReader::END_ELEMENT === $reader->nodeType) {
                if ('si' === $name) {
                    $texts[] = (string) $current;
                    $bytes += \strlen((string) $current);
                    if ($bytes > self::SHARED_BYTES) {
                        throw RefusedFigures::whole(
                            'The workbook holds more text than a table of figures does. Save the sheet as CSV.',
                        );
                    }
                } elseif ('rPh' === $name) {
                    $isPhonetic = false;
                }
            } elseif (!$isPhonetic && $reader->hasValue && null !== $current) {
                $current .= $reader->value;
            }
        }
        $reader->close();

        return $texts;
    }

    /**
     * @param list<string> $wanted
     *
     * @return list<array<string, string>>
     */
    private static function attributes(WorkbookZip $package, string $part, string $element, array $wanted): array
    {
        if (!$package->has($part)) {
            throw WorkbookZip::damaged();
        }
        $reader = $package->reader($part);
        $found = [];
        while (WorkbookZip::next($reader)) {
            if (\XMLReader::ELEMENT === $reader->nodeType && $reader->localName === $element) {
                $found[] = array_combine(
                    $wanted,
                    array_map(static fn (string $name): string => (string) $reader->getAttribute($name), $wanted),
                );
            }
        }
        $reader->close();

        return $found;
    }
}

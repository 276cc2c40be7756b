<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** A spreadsheet in OpenDocument (ISO/IEC 26300). */
final readonly class OdsFile implements FileFormat
{
    /** @param non-empty-list<string> $names */
    private function __construct(private WorkbookZip $package, private array $names) {}

    public static function maybe(string $path, string $head): ?self
    {
        if (!str_starts_with($head, "PK\x03\x04")) {
            return null;
        }
        $package = WorkbookZip::open($path);
        if (!$package->has('content.xml')) {
            throw RefusedFigures::whole(
                'This is a packed file and no workbook. Unpack it, and bring in the table itself.',
            );
        }
        if (
            $package->has('META-INF/manifest.xml')
            && str_contains($package->text('META-INF/manifest.xml'), 'encryption-data')
        ) {
            throw RefusedFigures::whole(
                'The workbook is protected by a password. Save it without one, then bring it in.',
            );
        }
        $reader = $package->reader('content.xml');
        $names = [];
        while (WorkbookZip::next($reader)) {
            if (\XMLReader::ELEMENT === $reader->nodeType && 'table:table' === $reader->name) {
                $names[] = (string) $reader->getAttribute('table:name');
            }
        }
        $reader->close();
        if ([] === $names) {
            throw RefusedFigures::whole('The file holds no sheet of a workbook. Bring in a spreadsheet.');
        }

        return new self($package, $names);
    }

    public function sheets(): array
    {
        return $this->names;
    }

    public function rows(string $sheet): RowSource
    {
        return new OdsRows($this->package, (int) array_search($sheet, $this->names, true));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Import;

/** Workbooks made by hand, with whatever is wrong in them. */
final class Books
{
    private const MAIN = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';

    /** @param array<string, string> $parts by name */
    public static function zip(array $parts): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'keen-book');
        unlink($path);
        $zip = new \ZipArchive();
        $zip->open($path, \ZipArchive::CREATE);
        foreach ($parts as $name => $text) {
            $zip->addFromString($name, $text);
        }
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    /**
     * @param string $rows of the sheet, as XML
     * @param array<string, string> $other parts
     */
    public static function xlsx(string $rows, array $other = []): string
    {
        return self::zip(
            $other + [
                'xl/workbook.xml' => '<workbook '.
                    self::MAIN.
                    ' xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet '
                        .'name="Data" sheetId="1" r:id="rId1"/></sheets></workbook>',
                'xl/_rels/workbook.xml.rels' => '<Relationships '
                    .'xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" '
                    .'Type="t" Target="worksheets/sheet1.xml"/></Relationships>',
                'xl/worksheets/sheet1.xml' => '<worksheet '.self::MAIN.'><sheetData>'.$rows.'</sheetData></worksheet>',
            ],
        );
    }

    public static function row(int $number, string ...$cells): string
    {
        $xml = '';
        foreach ($cells as $cell) {
            $xml .= is_numeric($cell)
                ? "<c><v>$cell</v></c>"
                : '<c t="inlineStr"><is><t>'.htmlspecialchars($cell).'</t></is></c>';
        }

        return "<row r=\"$number\">$xml</row>";
    }

    public static function ods(string $content, string $manifest = ''): string
    {
        $spaces = 'urn:oasis:names:tc:opendocument:xmlns:';

        return self::zip(
            [
                'mimetype' => 'application/vnd.oasis.opendocument.spreadsheet',
                'content.xml' => '<office:document-content '
                    ."xmlns:office=\"{$spaces}office:1.0\" "
                    ."xmlns:table=\"{$spaces}table:1.0\" "
                    ."xmlns:text=\"{$spaces}text:1.0\"><office:body><office:spreadsheet>"
                ."$content</office:spreadsheet></office:body></office:document-content>",
            ] + ('' === $manifest ? [] : ['META-INF/manifest.xml' => $manifest]),
        );
    }
}

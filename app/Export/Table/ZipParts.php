<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

use KeenMargin\App\Storage\Files\NotWritten;

/** Packs the parts of a workbook. The large one is a file already. */
final class ZipParts
{
    /**
     * @param array<string, string> $texts by name
     * @param array<string, string> $files paths by name; gone afterwards
     * @param ?string $first name of a text that stands first and unpacked, as OpenDocument wants its type
     */
    public static function pack(string $path, array $texts, array $files, ?string $first = null): void
    {
        @unlink($path);
        $zip = new \ZipArchive();
        if (true !== $zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE)) {
            throw NotWritten::at($path);
        }
        foreach ($texts as $name => $text) {
            $zip->addFromString($name, $text);
        }
        if (null !== $first) {
            $zip->setCompressionName($first, \ZipArchive::CM_STORE);
        }
        foreach ($files as $name => $file) {
            $zip->addFile($file, $name);
        }
        $sizes = array_sum(array_map(filesize(...), $files));
        $isWritten = @$zip->close();
        array_map(unlink(...), $files);
        if (!$isWritten) {
            @unlink($path);
            throw NotWritten::at($path, $sizes);
        }
    }
}

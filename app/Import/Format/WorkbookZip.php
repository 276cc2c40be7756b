<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/**
 * The zip that a workbook is. Parts are unpacked one at a time, never further than the limit, whatever they say of
 * their size.
 */
final class WorkbookZip
{
    private const PARTS = 5000;
    private const BYTES_AT_ONCE = 262_144;

    /** @var array<string, string> paths of parts already unpacked */
    private array $unpacked = [];
    private int $bytes = 0;

    private function __construct(private readonly \ZipArchive $zip) {}

    public static function open(string $path): self
    {
        if ((int) filesize($path) > Limits::PACKED_BYTES) {
            throw RefusedFigures::whole(\sprintf(
                'The workbook has %.1f MB; up to %d MB can be read. Save the sheet as CSV.',
                filesize($path) / 1e6,
                Limits::PACKED_BYTES / 1_000_000,
            ));
        }
        $zip = new \ZipArchive();
        if (true !== $zip->open($path, \ZipArchive::RDONLY)) {
            throw RefusedFigures::whole(
                'The workbook is damaged: it cannot be unpacked. Open it where it was made and save it again.',
            );
        }
        if ($zip->numFiles > self::PARTS) {
            throw RefusedFigures::whole('The workbook has more parts than a workbook has. Save the sheet as CSV.');
        }

        return new self($zip);
    }

    public function __destruct()
    {
        array_map(unlink(...), $this->unpacked);
    }

    public function has(string $part): bool
    {
        return false !== $this->zip->locateName($part);
    }

    /** @param int $most bytes */
    public function text(string $part, int $most = 8_000_000): string
    {
        $path = $this->path($part);
        if ((int) filesize($path) > $most) {
            throw self::tooLarge();
        }

        return (string) file_get_contents($path);
    }

    public function reader(string $part): \XMLReader
    {
        $reader = @\XMLReader::open($this->path($part), null, \LIBXML_NONET | \LIBXML_COMPACT);

        return $reader instanceof \XMLReader ? $reader : throw self::damaged();
    }

    /** The next node; refuses XML that defines entities, and XML that is broken. */
    public static function next(\XMLReader $reader): bool
    {
        $before = libxml_use_internal_errors(true);
        $more = $reader->read();
        if (!$more && [] !== libxml_get_errors()) {
            libxml_clear_errors();
            throw self::damaged();
        }
        libxml_use_internal_errors($before);
        if ($more && \XMLReader::DOC_TYPE === $reader->nodeType) {
            throw self::definesEntities();
        }

        return $more;
    }

    public static function damaged(): RefusedFigures
    {
        return RefusedFigures::whole('The workbook is damaged. Open it where it was made and save it again.');
    }

    private static function definesEntities(): RefusedFigures
    {
        return RefusedFigures::whole(
            'The workbook defines entities of its own, which no workbook does. It is not read.',
        );
    }

    private function path(string $part): string
    {
        if (isset($this->unpacked[$part])) {
            return $this->unpacked[$part];
        }
        $from = $this->zip->getStream($part);
        if (!\is_resource($from)) {
            throw self::damaged();
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'keen-part');
        $this->unpacked[$part] = $path;
        $to = fopen($path, 'w');
        \assert(\is_resource($to));
        while (!feof($from)) {
            $chunk = @fread($from, self::BYTES_AT_ONCE);
            if (false === $chunk) {
                throw self::damaged();
            }
            // Before a parser sees them: it might follow them ahead of what it reports.
            if (0 === ftell($to) && (str_contains($chunk, '<!DOCTYPE') || str_contains($chunk, '<!ENTITY'))) {
                throw self::definesEntities();
            }
            $this->bytes += \strlen($chunk);
            if ($this->bytes > Limits::UNPACKED_BYTES) {
                throw self::tooLarge();
            }
            fwrite($to, $chunk);
        }
        fclose($from);
        fclose($to);

        return $path;
    }

    private static function tooLarge(): RefusedFigures
    {
        return RefusedFigures::whole(\sprintf(
            'The workbook unpacks to more than %d MB. Save the sheet as CSV.', Limits::UNPACKED_BYTES / 1_000_000,
        ));
    }
}
